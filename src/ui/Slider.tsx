'use client';
import { Slider as Radix } from 'radix-ui';

/** A number on a line: dragged, or by arrow keys. */
export function Slider({
  label,
  value,
  range,
  step,
  says,
  onChange,
  onRest,
}: {
  label: string;
  value: number;
  range: readonly [low: number, high: number];
  step: number;
  /** the value in words */
  says: string;
  /** while it moves */
  onChange: (value: number) => void;
  /** when it is let go */
  onRest?: (value: number) => void;
}) {
  return (
    <Radix.Root
      value={[value]}
      min={range[0]}
      max={range[1]}
      step={step}
      onValueChange={([v]) => onChange(v)}
      onValueCommit={([v]) => onRest?.(v)}
      className="relative flex h-[24px] w-full min-w-0 touch-none items-center select-none"
    >
      <Radix.Track className="relative h-[5px] grow border border-ink bg-sheet">
        <Radix.Range className="absolute h-full bg-ink" />
      </Radix.Track>
      <Radix.Thumb
        aria-label={label}
        aria-valuetext={says}
        className="flex h-[24px] w-[24px] cursor-ew-resize items-center justify-center rounded-full"
      >
        <span className="h-4 w-4 rounded-full border-2 border-ink bg-paper" />
      </Radix.Thumb>
    </Radix.Root>
  );
}
