import { AVERAGE_PERSON } from '@/core/body/person';
import { PLAIN_WISHES } from '@/core/search/wishes';
import { behindInWorker, planInWorker, warmUp } from '@/workers/client';
import { closetOf, outingOf } from './cases';

/** Runs in a page: plans 4 h from 45 garments as the application does, in its worker. Seconds from the question. */
async function plan(): Promise<{ first: number; final: number; members: number }> {
  const closet = closetOf(45);
  const setting = {
    person: AVERAGE_PERSON,
    closet,
    inCloset: closet.map((g) => g.id),
    outing: outingOf(4),
    damp: {},
    wishes: PLAIN_WISHES,
  };
  const from = performance.now();
  const since = () => (performance.now() - from) / 1000;
  let first = 0;
  const planned = await planInWorker(setting, 1, (_done, _says, soFar) => {
    if (soFar && first === 0) first = since();
  }).result;
  const final = since();
  let members = 0;
  await behindInWorker(setting, planned.plan, 1, (part) => {
    if (part.chances) members = since();
  }).result;
  return { first, final, members };
}

Object.assign(globalThis, { ember: { plan, warmUp } });
