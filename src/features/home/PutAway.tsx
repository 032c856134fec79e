'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { day } from '@/formats/dates';
import type { Problem } from '@/formats/problem';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';

/** Outings put away: out of the list, with their plans, and back on it when wanted. */
export function PutAway({ outings }: { outings: { id: string; name: string; startMs: number }[] }) {
  const router = useRouter();
  const [problems, setProblems] = useState<Problem[]>([]);
  const back = async (id: string) => {
    try {
      await request('PATCH', `/api/outings/${id}`, { archived: false });
      setProblems([]);
      router.refresh();
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
