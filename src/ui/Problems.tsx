'use client';
import type { Problem } from '@/formats/problem';

/** What was refused and why, in the page where it happened. */
export function Problems({
  problems,
  title = 'Not taken in. Nothing was stored.',
}: {
  problems: Problem[];
  title?: string;
}) {
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="border-l-4 border-act bg-sheet px-3 py-2 text-[13px]">
      <p className="font-semibold text-act">{title}</p>
      <ul className="mt-1 space-y-1">
        {problems.map((p, i) => (
          <li key={i} className="break-words">
            <b>
              {p.where}
              {p.line ? `, line ${p.line}` : ''}
            </b>
            : {p.label ?? p.field} is <q className="font-semibold">{p.value}</q>. It may be: {p.allowed}.
          </li>
        ))}
      </ul>
    </div>
  );
}
