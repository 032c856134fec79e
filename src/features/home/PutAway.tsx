'use client';
import { useMutation } from '@tanstack/react-query';
import Link from 'next/link';
import { useState } from 'react';
import { day } from '@/formats/dates';
import type { Problem } from '@/formats/problem';
import type { Trashed } from '@/store/trash';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { useRefresh } from '@/ui/useRefresh';

/** Outings put away: out of the list, with their plans, and back on it when wanted. */
export function PutAway({ outings }: { outings: { id: string; name: string; startMs: number }[] }) {
  const refresh = useRefresh();
  const [problems, setProblems] = useState<Problem[]>([]);
  const back = async (id: string) => {
    try {
      await request('PATCH', `/api/outings/${id}`, { archived: false });
      setProblems([]);
      refresh();
    } catch (e) {
      setProblems(problemsOf(e));
    }
  };
  return (
    <details className="mt-4">
      <summary className="cursor-pointer text-ink-2">
        Put away: {outings.length} {outings.length === 1 ? 'outing' : 'outings'}
      </summary>
      <Problems problems={problems} title="Not done. Nothing was changed." />
      <ul className="mt-1">
        {outings.map((o) => (
          <li key={o.id} className="flex items-baseline gap-3 border-b border-grid py-1">
            <Link href={`/outing/${o.id}`} className="min-w-0 truncate underline" title={o.name}>
              {o.name}
            </Link>
            <span className="shrink-0 text-ink-2">{day(o.startMs)}</span>
            <Button kind="quiet" size="small" className="ml-auto" onClick={() => void back(o.id)}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

const PATHS: Record<Trashed['kind'], (id: string) => [string, object]> = {
  outing: (id) => [`/api/outings/${id}`, { deleted: false }],
  plan: (id) => [`/api/plans/${id}`, { deleted: false }],
  garment: (id) => [`/api/garments/${id}`, { removed: false }],
};

/** What was deleted or taken out, with a way back. */
export function Trash({ things }: { things: Trashed[] }) {
  const refresh = useRefresh();
  const back = useMutation({
    mutationFn: ({ kind, id }: Trashed) => request('PATCH', ...PATHS[kind](id)),
    onSuccess: () => refresh(),
  });
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-ink-2">Deleted or taken out: {things.length}</summary>
      {back.error && <Problems problems={problemsOf(back.error)} title="Not done. Nothing was changed." />}
      <ul className="mt-1">
        {things.map((t) => (
          <li key={t.id} className="flex items-baseline gap-3 border-b border-grid py-1">
            <span className="min-w-0 truncate" title={t.name}>
              {t.name}
            </span>
            <span className="shrink-0 text-ink-2">
              {t.kind === 'plan' ? `plan of ${t.of}` : t.kind}
              {t.daysLeft !== null && `, kept for ${t.daysLeft} more ${t.daysLeft === 1 ? 'day' : 'days'}`}
            </span>
            <Button kind="quiet" size="small" className="ml-auto" onClick={() => back.mutate(t)}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
