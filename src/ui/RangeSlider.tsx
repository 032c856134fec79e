'use client';
import { Slider as Radix } from 'radix-ui';

/** From one number to another on a line, with how many of what is chosen from lie where above it. */
export function RangeSlider({
  label,
  value,
  range,
  step,
  says,
  heap,
  onChange,
}: {
  label: string;
  value: readonly [number, number];
  range: readonly [low: number, high: number];
  step: number;
  says: (v: number) => string;
  /** what lies along it, as values of the range */
  heap: readonly number[];
  onChange: (value: [number, number]) => void;
}) {
  const bins = 16;
  const counts = Array.from({ length: bins }, () => 0);
  for (const v of heap)
    counts[
      Math.min(bins - 1, Math.max(0, Math.floor((bins * (v - range[0])) / Math.max(1e-9, range[1] - range[0]))))
    ]++;
  const most = Math.max(1, ...counts);
  return (
    <Radix.Root
      value={[...value]}
      min={range[0]}
      max={range[1]}
      step={step}
      minStepsBetweenThumbs={1}
      onValueChange={(v) => onChange([v[0], v[1]])}
      className="relative flex h-[26px] w-full min-w-0 touch-none items-center select-none"
    >
      <span aria-hidden="true" className="absolute inset-x-[12px] bottom-1/2 flex h-[11px] items-end">
        {counts.map((n, i) => (
          <span key={i} className="grow bg-grid-2" style={{ height: `${(100 * n) / most}%` }} />
        ))}
      </span>
      <Radix.Track className="relative h-[2px] grow bg-grid-2">
        <Radix.Range className="absolute h-full bg-ink" />
      </Radix.Track>
      {value.map((v, i) => (
        <Radix.Thumb
          key={i}
          aria-label={`${label}, ${i === 0 ? 'from' : 'to'}`}
          aria-valuetext={says(v)}
          className="flex h-[24px] w-[24px] cursor-ew-resize items-center justify-center rounded-full"
        >
          <span className="h-3 w-3 rounded-full border-2 border-ink bg-paper" />
        </Radix.Thumb>
      ))}
    </Radix.Root>
  );
}
