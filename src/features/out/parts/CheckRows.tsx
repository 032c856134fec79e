'use client';
import { Check } from 'lucide-react';
import { useHold } from '@/features/out/parts/Big';

export function TickRow({
  on,
  onTick,
  name,
  children,
}: {
  on: boolean;
  onTick: () => void;
  name: string;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={on}
      onClick={onTick}
      className="grid min-h-[40px] w-full cursor-pointer grid-cols-[1.9rem_4rem_1fr] items-center gap-x-2 @max-[17rem]:grid-cols-[1.9rem_1fr] border-b border-grid-2 py-1 text-left leading-tight"
    >
      <Box on={on} />
      <span className="text-[1rem] font-semibold">{name}</span>
      <span className="text-[0.98rem] @max-[17rem]:col-start-2">{children}</span>
    </button>
  );
}

export function PackRow({
  on,
  name,
  why,
  onTick,
  onMissing,
}: {
  on: boolean;
  name: string;
  why: string;
  onTick: () => void;
  onMissing: (() => void) | null;
}) {
  const hold = useHold(() => onMissing?.());
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={on}
      title={why || undefined}
      {...hold.on}
      onClick={() => hold.wasHeld() || onTick()}
      className={`flex min-h-[42px] cursor-pointer items-center gap-2 rounded-[0.4rem] py-1 text-left text-[0.98rem] leading-tight ${on ? '' : 'outline-1 outline-dotted outline-act'}`}
    >
      <Box on={on} />
      <span className={on ? '' : 'font-semibold text-act'}>{name}</span>
    </button>
  );
}

export const Box = ({ on }: { on: boolean }) => (
  <span
    className={`grid size-[1.7rem] shrink-0 place-items-center rounded-[0.35rem] border-2 ${on ? 'border-go bg-go text-on-go' : 'border-act bg-sheet'}`}
  >
    {on && <Check size={18} strokeWidth={3.2} aria-hidden="true" />}
  </span>
);
