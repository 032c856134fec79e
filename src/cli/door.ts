import { IMPERIAL_BANDS, METRIC_BANDS, type Ladder } from '@/core/search/ladderTerms';
import { parseArgs } from 'node:util';
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { DOOR_SPORTS, USUAL_DOOR, type DoorDay, type DoorPlace, type DoorSport } from '@/core/outing/doorDay';
import { answerAtDoor, type DoorTold } from '@/core/search/answer';
import { buildLadder } from '@/core/search/ladder';
import { ladderRungs } from '@/core/search/rungs';
import { readLocalTime } from '@/formats/dates';
import { doorReport, ladderCsv, ladderReport, ladderText } from '@/formats/doorReport';
import { ANYBODY, readMine, type Mine } from '@/formats/mine';
import type { Units } from '@/formats/measures';
import { atDoor, refuse, Refused } from '@/formats/problem';
import { momentIn } from '@/formats/moments';
import { readLine } from '@/formats/spokenLine';
import { SHELTER_WORDS, SPORT_WORDS } from '@/formats/spokenWords';

/** Options of the commands at the door. */
const OPTIONS = {
  mine: { type: 'string' },
  now: { type: 'string' },
  place: { type: 'string' },
  units: { type: 'string' },
  as: { type: 'string' },
} as const;

/** @throws Refused for an option nobody knows */
function optionsOf(args: string[]) {
  try {
    return parseArgs({ args, options: OPTIONS, allowPositionals: true, strict: true });
  } catch (e) {
    return refuse(
      'command line',
      'option',
      (e as Error).message.split('.')[0],
      '--mine FILE, --now TIME, --place LAT,LON,HEIGHT, --units, --as',
    );
  }
}

function mineOf(path: string | undefined): Mine {
  if (path === undefined) return ANYBODY;
  try {
    return readMine(new Uint8Array(readFileSync(path)), basename(path));
  } catch (e) {
    if (e instanceof Refused) throw e;
    return refuse(basename(path), 'file', 'not found or not readable', 'an archive, or JSON with athlete and garments');
  }
}

function oneOf<T extends string>(field: string, value: string | undefined, list: readonly T[], usual: T): T {
  if (value === undefined) return usual;
  return list.find((x) => x === value) ?? refuse('command line', field, value, list.join(', '));
}

/** `54.52,-2.61,210`: where it is, for the sun, and its height. @throws Refused */
function placeOf(text: string | undefined): DoorPlace | null {
  if (text === undefined) return null;
  const [latitude, longitude, eleM] = [...text.split(',').map(Number), 0];
  const held = Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 && eleM >= -430 && eleM <= 8850;
  if (!held) refuse('command line', 'place', text, 'latitude, longitude and height, such as 54.52,-2.61,210');
  return { latitude, longitude, eleM, utcOffsetMin: 0 };
}

const localNow = (): number => Date.now() - new Date().getTimezoneOffset() * 60_000;
/** Wind where a line says none, m/s: a light breeze. */
const UNSAID_WIND_MS = 10 / 3.6;

/** `ember answer LINE`: the whole answer as JSON. @throws Refused */
export function answer(args: string[]): string {
  const { values, positionals } = optionsOf(args);
  const text = positionals.join(' ').trim();
  if (text === '') refuse('command line', 'line', 'empty', 'for example "run 50 min steady −6 wind 15 dry"');
  const units: Units = oneOf('units', values.units, ['metric', 'imperial'], 'metric');
  const nowMs = values.now === undefined ? localNow() : readLocalTime(values.now, '--now');
  const place = placeOf(values.place);
  const mine = mineOf(values.mine);
  const day: DoorDay = {
    sport: 'run',
    ...USUAL_DOOR.run,
    airC: NaN,
    windMs: UNSAID_WIND_MS,
    falls: { kind: 'none', mmH: 0 },
    sky: 'some cloud',
    stops: [],
    startMs: nowMs,
  };
  const spoken = readLine(text, { day, nowMs, units, moments: momentIn });
  if (spoken.refused.length > 0) throw new Refused(spoken.refused);
  if (Number.isNaN(spoken.day.airC)) refuse('The line', 'air', 'not said', 'a temperature, such as −6 or 20F');
  const { person, unsure, closet, damp, wishes } = mine;
  return atDoor('The line', () => {
    const rungs = ladderRungs({ ...ladderOf(mine, spoken.day.sport), shelter: 'open' });
    const q = { person, unsure, closet, damp, wishes, day: spoken.day, place, nowMs, rungs };
    const told = Object.assign({}, ...answerAtDoor(q)) as DoorTold;
    return JSON.stringify(doorReport(spoken, q, told)) + '\n';
  });
}

const ladderOf = ({ person, closet, damp, wishes }: Mine, sport: DoorSport) => ({
  person,
  closet,
  damp,
  weights: wishes.weights,
  mouthBelowC: wishes.mouthBelowC,
  sport,
});

/** `ember ladder SPORT [WHERE]`: the whole ladder as a table, JSON or CSV. @throws Refused */
export function ladder(args: string[]): string {
  const { values, positionals } = optionsOf(args);
  const word = (positionals[0] ?? '').toLowerCase();
  const sport =
    DOOR_SPORTS.find((s) => s === word) ??
    SPORT_WORDS.find(([, words]) => words.includes(word))?.[0] ??
    refuse('command line', 'sport', word || 'missing', DOOR_SPORTS.join(', '));
  const places = SHELTER_WORDS.map(([s]) => s);
  const shelter = oneOf('where', positionals[1], places, 'open');
  const units: Units = oneOf('units', values.units, ['metric', 'imperial'], 'metric');
  const as = oneOf('as', values.as, ['text', 'json', 'csv'] as const, 'text');
  const mine = mineOf(values.mine);
  return atDoor('The closet', () => {
    const bands = units === 'imperial' ? IMPERIAL_BANDS : METRIC_BANDS;
    let whole: Ladder | null = null;
    for (const p of buildLadder({ ...ladderOf(mine, sport), shelter, bands, more: CATALOGUE })) whole = p.ladder;
    if (as === 'csv') return ladderCsv(whole!, mine.closet) + '\n';
    if (as === 'json') return JSON.stringify(ladderReport(whole!, mine.closet)) + '\n';
    return ladderText(whole!, mine.closet);
  });
}
