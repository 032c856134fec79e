'use client';
import { Progress } from 'radix-ui';

/** How far something long has come. @param done 0–1 */
export function ProgressBar({ done, label }: { done: number; label: string }) {
  const percent = Math.round(done * 100);
  return (
    <Progress.Root value={percent} aria-label={label} className="h-2 w-full border border-ink bg-sheet">
      <Progress.Indicator className="h-full bg-heat-3" style={{ width: `${percent}%` }} />
    </Progress.Root>
  );
}
