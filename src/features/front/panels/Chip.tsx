'use client';
import { useDrag } from '@use-gesture/react';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useRef, type ReactNode, type Ref } from 'react';
import { twMerge } from 'tailwind-merge';

const frame = 'relative flex min-h-[36px] items-stretch border bg-sheet text-center';

/** A chip: what it is of, small, over what it says; dotted where nobody said it. */
export function ChipFrame({
  label,
  how,
  refTo,
  children,
  className,
}: {
  label: string;
  how: 'said' | 'guessed';
  refTo?: Ref<HTMLDivElement>;
  children: ReactNode;
  className?: string;
}) {
  return (
    <div
      ref={refTo}
      className={twMerge(frame, how === 'guessed' ? 'border-dashed border-ink-3' : 'border-ink', className)}
      title={how === 'guessed' ? `${label}: guessed` : undefined}
    >
      {children}
    </div>
  );
}

export function ChipText({ label, value }: { label: string; value: ReactNode }) {
  return (
    <span className="block px-0.5 py-0.5 leading-tight">
      <span className="block text-[11px] whitespace-nowrap text-ink-3">{label}</span>
      <b className="block text-[13px] whitespace-nowrap">{value}</b>
    </span>
  );
}

/** Pixels of a drag for one step. */
const STEP_PX = 7;

/** A chip with a number: by its arrows, by dragging it sideways, or by the arrow keys. */
export function NumberChip({
  label,
  says,
  how,
  value,
  step,
  range,
  refTo,
  onMove,
  onRest,
}: {
  label: string;
  /** the value in words */
  says: string;
  how: 'said' | 'guessed';
  value: number;
  step: number;
  range: readonly [number, number, string];
  refTo?: Ref<HTMLDivElement>;
  onMove: (v: number) => void;
  onRest: (v: number) => void;
}) {
  const from = useRef(value);
  const held = (v: number) => Math.min(range[1], Math.max(range[0], Math.round(v / step) * step));
  const drag = useDrag(
    ({ first, last, movement: [mx] }) => {
      if (first) from.current = value;
      const next = held(from.current + Math.round(mx / STEP_PX) * step);
      if (last) onRest(next);
      else onMove(next);
    },
    { filterTaps: true, axis: 'x' },
  );
  const key = (by: number) => onRest(held(value + by * step));
  return (
    <ChipFrame label={label} how={how} refTo={refTo}>
      <button
        type="button"
        tabIndex={-1}
        aria-label={`${label}: less`}
        onClick={() => key(-1)}
        className="flex w-[24px] cursor-pointer pointer-coarse:w-[40px] items-center justify-center hover:bg-worn"
      >
        <ChevronLeft size={13} aria-hidden="true" />
      </button>
      <div
        {...drag()}
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuenow={Math.round(value * 100) / 100}
        aria-valuemin={range[0]}
        aria-valuemax={range[1]}
        aria-valuetext={says}
        onKeyDown={(e) => {
          const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -5, PageUp: 5 }[e.key];
          if (!by) return;
          e.preventDefault();
          e.stopPropagation();
          key(by * (e.shiftKey ? 5 : 1));
        }}
        className="cursor-ew-resize touch-pan-y select-none"
      >
        <ChipText label={label} value={says} />
      </div>
      <button
        type="button"
        tabIndex={-1}
        aria-label={`${label}: more`}
        onClick={() => key(1)}
        className="flex w-[24px] cursor-pointer pointer-coarse:w-[40px] items-center justify-center hover:bg-worn"
      >
        <ChevronRight size={13} aria-hidden="true" />
      </button>
    </ChipFrame>
  );
}
