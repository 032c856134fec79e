'use client';
import { Slider } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Stuck } from '@/core/questions/stuckOut';
import { STUCK_FOR_H as FAR_H, type StuckSo } from '@/core/underway/taps';
import { degrees, type Units } from '@/formats/measures';
import { Triangle } from '@/features/out/parts/Icons';
import { upper } from '@/features/out/words';

export const AS_IS = 'As you are';
/** How long one way of waiting holds. */
export type Bar = Pick<Stuck, 'handsH' | 'dangerH' | 'after'> & { name: string };

export const hoursOf = (h: number): string => (Number.isInteger(h) ? String(h) : h.toFixed(1));

/** How long it holds in what there is. */
export const holdsWords = ({ name, dangerH }: Bar): string => {
  const how = name === AS_IS ? 'As you are, all on' : `With ${name}, all on`;
  return dangerH === null
    ? `${how}: no danger within ${FAR_H} hours by this calculation.`
    : `${how}: danger after ${dangerH.toFixed(1)} h.`;
};

const pc = (h: number): string => `${(100 * Math.min(FAR_H, Math.max(0, h))) / FAR_H}%`;
const STEP_H = 0.5;
const REST_MS = 400;

/** From when to when help may come, as one line with two ends: dragged, or by arrow keys. */
export function HelpWindow({ so, onRest }: { so: StuckSo; onRest: (fromH: number, toH: number) => void }) {
  const [moving, setMoving] = useState<number[] | null>(null);
  const told = useRef(onRest);
  useEffect(() => {
    told.current = onRest;
  });
  // Told once it rests: a finger and a key held down both pass through many values.
  useEffect(() => {
    if (!moving) return;
    const timer = setTimeout(() => told.current(moving[0], moving[1]), REST_MS);
    return () => clearTimeout(timer);
  }, [moving]);
  const isTold = moving !== null && moving[0] === so.helpFromH && moving[1] === so.helpToH;
  if (isTold) setMoving(null);
  const shown = moving ?? [so.helpFromH, so.helpToH];
  return (
    <div className="grid grid-cols-[7rem_1fr_3rem] items-center gap-x-1">
      <span className="narrow text-[0.95rem] leading-tight">Help after, h</span>
      <Slider.Root
        value={shown}
        min={0}
        max={FAR_H}
        step={STEP_H}
        minStepsBetweenThumbs={1}
        onValueChange={setMoving}
        className="relative flex h-[44px] touch-none items-center select-none"
      >
        <Slider.Track className="relative h-[4px] grow bg-grid-2">
          <Slider.Range className="absolute h-full bg-ink" />
        </Slider.Track>
        {(['earliest', 'latest'] as const).map((which, i) => (
          <Slider.Thumb
            key={which}
            aria-label={`Help comes, ${which}`}
            aria-valuetext={`${hoursOf(shown[i])} hours from when you stopped`}
            className="grid h-[44px] w-[44px] cursor-ew-resize place-items-center"
          >
            <span className="grid h-[26px] min-w-[30px] place-items-center rounded-[0.35rem] border-2 border-ink bg-sheet px-1 text-[0.9rem] font-bold">
              {hoursOf(shown[i])}
            </span>
          </Slider.Thumb>
        ))}
      </Slider.Root>
    </div>
  );
}

/** Hours as a bar, with the window in which help may come drawn through all of them; tapped, it is what is done. */
export function HoldsBar({
  bar: { name, handsH, dangerH, after },
  so,
  sinceH,
  chosen,
  onChoose,
  units,
}: {
  bar: Bar;
  so: StuckSo;
  /** since they stopped: the bars count from now */
  sinceH: number;
  chosen: boolean;
  onChoose: () => void;
  units: Units;
}) {
  const to = dangerH ?? FAR_H;
  const fingersC = after.find((a) => a.hours === 4)?.fingersC ?? null;
  const [fromH, tillH] = [Math.max(0, so.helpFromH - sinceH), Math.max(0, so.helpToH - sinceH)];
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={`-mx-1 grid min-h-[44px] w-[calc(100%+0.5rem)] cursor-pointer grid-cols-[7rem_1fr_3rem] items-center gap-x-1 rounded-[0.4rem] border-2 px-1 text-left ${chosen ? 'border-go' : 'border-transparent'}`}
      aria-label={`${name}: hands useless ${handsH === null ? 'not within 12' : `after ${handsH.toFixed(1)}`} hours, danger ${dangerH === null ? 'not within 12' : `after ${dangerH.toFixed(1)}`} hours`}
    >
      <span className="narrow text-[0.95rem] leading-tight font-semibold">{upper(name)}</span>
      <span className="relative block h-7 bg-worn">
        <span className="absolute inset-y-0 left-0 bg-heat-3" style={{ width: pc(to) }} />
        {handsH !== null && handsH < to && (
          <span
            className="absolute inset-y-0"
            style={{
              left: pc(handsH),
              width: pc(to - handsH),
              backgroundImage: 'repeating-linear-gradient(0deg, var(--color-cold) 0 2px, transparent 2px 5px)',
            }}
          />
        )}
        {tillH > 0 && (
          <span
            className="absolute inset-y-0 border-x-2 border-ink"
            style={{ left: pc(fromH), width: pc(tillH - fromH) }}
          >
            {fingersC !== null && (
              <span className="absolute inset-y-1 left-1/2 -translate-x-1/2 bg-sheet px-1 text-[0.85rem] leading-[1.25rem] font-bold">
                {degrees(fingersC, units)}
              </span>
            )}
          </span>
        )}
        {dangerH !== null && (
          <span className="absolute top-1 -translate-x-1/2 text-act" style={{ left: pc(dangerH) }}>
            <Triangle size={18} />
          </span>
        )}
      </span>
      <span className="text-right text-[1.05rem] font-bold">{dangerH === null ? `${FAR_H}+` : dangerH.toFixed(1)}</span>
    </button>
  );
}
