'use client';
import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { PAGE_KEYS } from '@/ui/pageKeys';
import { DOOR_RANGE, fallsIn, USUAL_FALL_MMH, type DoorDay } from '@/core/outing/doorDay';
import { kmhToMs, mphToKmh } from '@/core/quantity/units';
import { FRONT_KEYS, type FrontKey } from './keys';
import type { Door } from './state/useDoor';

/** What falls, in the order in which W goes through it. */
const FALLS = ['none', 'dry snow', 'wet snow', 'sleet', 'rain'] as const;
const clampTo = ([low, high]: readonly [number, number, string], v: number): number => Math.min(high, Math.max(low, v));

/** Keys of the front door, from the one table. In a form, a list or on a dial the keys are theirs. */
export function useFrontKeys(
  door: Door,
  {
    input,
    cue,
    onCue,
    onLay,
    onPrint,
    onHelp,
  }: {
    input: RefObject<HTMLInputElement | null>;
    cue: number | null;
    onCue: (i: number) => void;
    onLay: () => void;
    onPrint: () => void;
    onHelp: () => void;
  },
): void {
  const { day } = door;
  const imperial = door.unsaid.units === 'imperial';
  const degree = imperial ? 1 / 1.8 : 1;
  const wind = imperial ? kmhToMs(mphToKmh(1)) : kmhToMs(1);
  const air = (by: number) =>
    door.set('airC', { airC: clampTo(DOOR_RANGE.airC, Math.round(day.airC / degree + by) * degree) });
  const blow = (by: number) =>
    door.set('windMs', { windMs: clampTo(DOOR_RANGE.windMs, Math.round(day.windMs / wind + by) * wind) });
  const hard = (by: number) => door.set('exertion', { exertion: clampTo(DOOR_RANGE.exertion, day.exertion + by) });
  const cues = door.told.answer?.cues.length ?? 0;
  const nextFall = (): DoorDay['falls'] => {
    const at = FALLS.indexOf(day.falls.kind as (typeof FALLS)[number]);
    for (let k = 1; k <= FALLS.length; k++) {
      const kind = FALLS[(at + k) % FALLS.length];
      // What cannot fall in such air is passed by.
      if (fallsIn(day.airC, kind) === kind) return { kind, mmH: USUAL_FALL_MMH[kind] };
    }
    return day.falls;
  };
  const doings: Record<FrontKey, () => void> = {
    type: () => input.current?.focus(),
    colder: () => air(-1),
    warmer: () => air(1),
    windier: () => blow(1),
    calmer: () => blow(-1),
    'much colder': () => air(-5),
    'much warmer': () => air(5),
    'much windier': () => blow(5),
    'much calmer': () => blow(-5),
    harder: () => hard(0.5),
    easier: () => hard(-0.5),
    wet: () => door.set('falls', { falls: nextFall() }),
    'cue before': () => cues > 0 && onCue(((cue ?? cues) - 1 + cues) % cues),
    'cue after': () => cues > 0 && onCue(((cue ?? -1) + 1) % cues),
    'lay out': onLay,
    print: onPrint,
    undo: door.undo,
    redo: door.redo,
    stop: door.stop,
    help: onHelp,
  };
  useHotkeys(
    FRONT_KEYS.flatMap((k) => (k.also ? [k.keys, k.also] : [k.keys])),
    (e, hotkey) => {
      const row = FRONT_KEYS.find((k) => k.keys === hotkey.hotkey || k.also === hotkey.hotkey);
      // Enter presses whatever has the focus.
      if (!row || (row.does === 'lay out' && e.target !== document.body)) return;
      e.preventDefault();
      doings[row.does]();
    },
    PAGE_KEYS,
  );
}
