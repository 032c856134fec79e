import { BookMarked } from 'lucide-react';

/** What the athlete's own winter taught and they made a cue of, for a day that may go that way. */
export function WinterCues({ says, className = '' }: { says: readonly string[]; className?: string }) {
  if (says.length === 0) return null;
  return (
    <ul aria-label="Your own cues" className={className}>
      {says.map((s) => (
        <li key={s} className="flex items-baseline gap-1.5">
          <BookMarked size={14} className="shrink-0 self-center" aria-hidden="true" />
          <span>
            <b>{s}</b> <span className="text-ink-2">Your own cue, from the book.</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
