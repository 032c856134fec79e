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

/** What is known by now, and of which version of the athlete. */
export type KnownNow = Pick<Heard, 'known' | 'version'>;

const KEY = ['learning'];
const PATH = '/api/learning';

/** What is known and what waits to be kept, worked out by the worker. */
export function useLearning() {
  const { data = null, error } = useQuery({
    queryKey: KEY,
    queryFn: async () => {
      const heard = await request<Heard>('GET', PATH);
      const learning =
        heard.told.length > 0 ? await learnInWorker(heard.known ?? nothingLearned(), heard.given, heard.told) : null;
      return { ...heard, learning };
    },
  });
  return { data, error };
}

/** The ways to keep what was learned, to leave it and to forget it; each can be undone. */
export function useKeeping() {
  const client = useQueryClient();
  const refresh = useRefresh();
  const say = useToasts((t) => t.say);
  const [problems, setProblems] = useState<Problem[]>([]);
  /** learning anew: share done */
  const [working, setWorking] = useState<number | null>(null);

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

  /** @param over what it was learned on */
  const keep = ({ lessons, learned }: Pick<Learning, 'lessons' | 'learned'>, { version, known }: KnownNow) =>
    settle(async () => {
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
  /** Learns those of the kept outings anew that stay, in their order, and keeps that instead of all that was. */
  const instead = (done: string, stays: (outingId: string) => boolean, leftOut: string[] = []) =>
    settle(async () => {
      const { known, lessons, version } = await request<Heard>('GET', `${PATH}?lessons`);
      const ids = lessons.map((l) => l.outingId).filter(stays);
      setWorking(0);
      try {
        const anew = ids.length > 0 ? await relearned(ids, setWorking) : null;
        const saved = await put({
          version,
          known: anew?.learned ?? null,
          lessons: anew?.lessons ?? [],
          how: 'instead',
          leftOut,
        });
        say(done, () => {
          void settle(() => put({ version: saved.version, known, lessons, how: 'instead' }));
        });
      } finally {
        setWorking(null);
      }
    });
  /** Takes one out of what is known: the others are learned anew, in their order. */
  const forget = (outing: string) =>
    instead('Forgotten: what is known rests on the others.', (id) => id !== outing, [outing]);
  /** Learns all that is kept anew, in its order: something was told otherwise since. */
  const again = () => instead('Learned anew.', () => true);
  const startAgain = () => instead('You are as you gave yourself. Your outings wait to be kept.', () => false);
  return { problems, working, keep, leave, forget, again, startAgain };
}

async function relearned(ids: readonly string[], onDone: (share: number) => void): Promise<Learning> {
  const { told, given } = await request<Heard>('GET', `${PATH}?of=${ids.join(',')}`);
  const byId = new Map(told.map((t) => [t.pack.outingId, t]));
  const list = ids.flatMap((id) => byId.get(id) ?? []);
  return learnInWorker(nothingLearned(), given, list, (done) => onDone(done / list.length));
}
