'use client';
import type { Units } from '@/formats/measures';
import { ColdOrWind } from './panels/ColdOrWind';
import { Efforts } from './panels/Efforts';
import type { Door } from './state/useDoor';

/** Below the scales: what makes it cold, and the same clothes at other efforts. */
export function UnderScales({ door, units }: { door: Door; units: Units }) {
  return (
    <>
      <ColdOrWind timeline={door.timeline} units={units} />
      <Efforts door={door} units={units} />
    </>
  );
}
