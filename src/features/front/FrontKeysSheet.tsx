'use client';
import { KeysSheet } from '@/ui/KeysSheet';
import { FRONT_KEYS } from './keys';

/** The keys of the front door. */
export const FrontKeysSheet = (p: { open: boolean; onOpen: (open: boolean) => void }) => (
  <KeysSheet rows={FRONT_KEYS} {...p} />
);
