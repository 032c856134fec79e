import { useGesture } from '@use-gesture/react';
import { useRef, useState } from 'react';
import type { ChartProps } from './SeasonChart';
import { daysIn, nearestDay, SLIP } from './stretch';

/** The hand in the lanes: the day under it, and the stretch that it drags. @param xs places of the days, px */
export function useHand(
  days: ChartProps['days'],
  xs: readonly number[],
  { onPoint, onStretch }: Pick<ChartProps, 'onPoint' | 'onStretch'>,
) {
  const lanes = useRef<SVGSVGElement>(null);
  const inLanes = ([x]: readonly [number, number]): number => x - (lanes.current?.getBoundingClientRect().left ?? 0);
  const [drag, setDrag] = useState<readonly [number, number] | null>(null);
  const hand = useGesture(
    {
      onMove: ({ xy, dragging }) => {
        const i = nearestDay(xs, inLanes(xy));
        if (!dragging && i >= 0) onPoint(days[i].id);
      },
      onHover: ({ active }) => {
        if (!active) onPoint(null);
      },
      onDrag: ({ event, xy, movement: [far], last, memo, cancel }) => {
        // A finger moves the lanes; only a mouse or a pen takes a stretch of them.
        if ('pointerType' in event && event.pointerType === 'touch') return cancel();
        const to = inLanes(xy);
        const from = (memo as number | undefined) ?? to - far;
        if (!last) setDrag(Math.abs(far) > SLIP ? [from, to] : null);
        else {
          setDrag(null);
          const taken = Math.abs(far) > SLIP ? daysIn(xs, [from, to]) : null;
          if (taken) onStretch(days[taken[0]].id, days[taken[1]].id);
        }
        return from;
      },
    },
    // Not captured: a click on a day is the day's.
    { drag: { pointer: { capture: false } } },
  );
  return { drag, hand, lanes };
}
