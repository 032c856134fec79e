'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Person } from '@/core/body/person';
import type { Lesson } from '@/core/calibrate/learn';
import { nothingLearned, type Learned } from '@/core/calibrate/learned';
import type { Learning, ToldOuting } from '@/core/underway/outed';
import type { Problem } from '@/formats/problem';
import { problemsOf, request } from '@/ui/api';
import { useToasts } from '@/ui/toasts';
import { useRefresh } from '@/ui/useRefresh';
import { learnInWorker } from '@/workers/outThereClient';

type Kept = { outingId: string; lesson: Lesson };
interface Heard {
  outings: { id: string; name: string; startMs: number; stands: 'waits' | 'kept' | 'in the numbers' | 'left out' }[];
  given: Person;
  known: Learned | null;
  version: number;
  lessons: Kept[];
  /** those that wait, or those that were asked for */
  told: ToldOuting[];
}

const KEY = ['learning'];
const PATH = '/api/learning';

/** What is known, what waits to be kept, and the ways to keep, leave and forget; each can be undone. */
export function useLearning() {
  const client = useQueryClient();
  const refresh = useRefresh();
  const say = useToasts((t) => t.say);
  const [problems, setProblems] = useState<Problem[]>([]);
  /** learning anew: share done */
  const [working, setWorking] = useState<number | null>(null);
  const query = useQuery({
    queryKey: KEY,
    queryFn: async () => {
      const heard = await request<Heard>('GET', PATH);
      const learning =
        heard.told.length > 0 ? await learnInWorker(heard.known ?? nothingLearned(), heard.given, heard.told) : null;
      return { ...heard, learning };
    },
  });
  const { data = null } = query;

  const settle = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setProblems([]);
    } catch (e) {
      setProblems(problemsOf(e));
    }
    await client.invalidateQueries({ queryKey: KEY });
    refresh();
  };
  const put = (body: object) => request<{ version: number }>('PUT', PATH, { lessons: [], how: 'beside', ...body });

  const keep = ({ lessons, learned }: Pick<Learning, 'lessons' | 'learned'>) =>
    settle(async () => {
      const { version, known } = data!;
      const saved = await put({ version, known: learned, lessons });
      const drop = lessons.map((l) => l.outingId);
      say('Kept. Everything counts with it now.', () => {
        void settle(() => put({ version: saved.version, known, drop }));
      });
    });
  /** Of an outing that waits: an unusual day, or one after all. */
  const leave = (outing: string, as: 'unusual' | 'usual') =>
    settle(async () => {
      const leftOut = as === 'unusual';
      await request('PATCH', PATH, { outing, leftOut });
      say(leftOut ? 'Left out: you are as you were.' : 'Counted again.', () => {
        void settle(() => request('PATCH', PATH, { outing, leftOut: !leftOut }));
      });
    });
  /** Takes one out of what is known: the others are learned anew, in their order. */
  const forget = (outing: string) =>
    settle(async () => {
      const { known, lessons, version } = await request<Heard>('GET', `${PATH}?lessons`);
      const others = lessons.filter((l) => l.outingId !== outing).map((l) => l.outingId);
      setWorking(0);
      try {
        const again = others.length > 0 ? await relearned(others, setWorking) : null;
        const saved = await put({
          version,
          known: again?.learned ?? null,
          lessons: again?.lessons ?? [],
          how: 'instead',
          leftOut: [outing],
        });
        say('Forgotten: what is known rests on the others.', () => {
          void settle(() => put({ version: saved.version, known, lessons, how: 'instead' }));
        });
      } finally {
        setWorking(null);
      }
    });
  /** Learns all that is kept anew, in its order: something was told otherwise since. */
  const again = () =>
    settle(async () => {
      const { known, lessons, version } = await request<Heard>('GET', `${PATH}?lessons`);
      setWorking(0);
      try {
        const anew = await relearned(
          lessons.map((l) => l.outingId),
          setWorking,
        );
        const saved = await put({ version, known: anew.learned, lessons: anew.lessons, how: 'instead' });
        say('Learned anew.', () => {
          void settle(() => put({ version: saved.version, known, lessons, how: 'instead' }));
        });
      } finally {
        setWorking(null);
      }
    });
  const startAgain = () =>
    settle(async () => {
      const { known, lessons, version } = await request<Heard>('GET', `${PATH}?lessons`);
      const saved = await put({ version, known: null, how: 'instead' });
      say('You are as you gave yourself. Your outings wait to be kept.', () => {
        void settle(() => put({ version: saved.version, known, lessons, how: 'instead' }));
      });
    });
  return { data, error: query.error, problems, working, keep, leave, forget, again, startAgain };
}

async function relearned(ids: readonly string[], onDone: (share: number) => void): Promise<Learning> {
  const { told, given } = await request<Heard>('GET', `${PATH}?of=${ids.join(',')}`);
  const byId = new Map(told.map((t) => [t.pack.outingId, t]));
  const list = ids.flatMap((id) => byId.get(id) ?? []);
  return learnInWorker(nothingLearned(), given, list, (done) => onDone(done / list.length));
}
