'use client';
import type { Door } from '@/features/front/state/useDoor';

/** What was guessed, contradicted or not understood, in words; nothing is guessed in silence. */
export function LineNotes({ door, onWord }: { door: Door; onWord: (from: number, to: number, word: string) => void }) {
  const { spoken } = door;
  const any = spoken.notUnderstood.length + spoken.refused.length + spoken.notes.length;
  if (any === 0) return null;
  return (
    <ul className="mt-1 flex flex-wrap gap-x-4 gap-y-0.5 text-[12.5px]" aria-live="polite">
      {spoken.notUnderstood.map((n) => (
        <li key={n.from}>
          <b className="text-act">“{n.text}” is not understood.</b>{' '}
          {n.nearest.length > 0 ? 'Do you mean ' : 'The rest counts.'}
          {n.nearest.map((w, i) => (
            <span key={w}>
              {i > 0 && ', '}
              <button
                type="button"
                className="min-h-[24px] cursor-pointer underline"
                onClick={() => onWord(n.from, n.to, w)}
              >
                {w}
              </button>
            </span>
          ))}
          {n.nearest.length > 0 && '?'}
        </li>
      ))}
      {spoken.refused.map((r) => (
        <li key={r.field + r.value} className="text-act">
          <b>
            {r.field} {r.value}
          </b>{' '}
          is not taken: {r.allowed}.
        </li>
      ))}
      {spoken.notes.map((n) => (
        <li key={n}>{n}.</li>
      ))}
    </ul>
  );
}
