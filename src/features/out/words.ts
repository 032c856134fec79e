import type { Garment } from '@/core/clothing/garment';
import { changesOf, cueText } from '@/core/kit/cueWords';
import type { Cue, Plan } from '@/core/kit/plan';
import { ALARM } from '@/core/judge/limits';
import type { Finding } from '@/core/judge/findings';
import { findingSentence } from '@/core/judge/verdict';
import type { CueReason } from '@/core/questions/cueReason';
import type { Danger, DangerKind } from '@/core/underway/dangers';
import type { CueNow, OutThere, CueStands } from '@/core/underway/outThere';
import { metresAt } from '@/core/outing/wayClock';
import type { Timeline } from '@/core/outing/timeline';
import { timeOfDay } from '@/formats/dates';
import { degrees, distance, type Units } from '@/formats/measures';
import { fillSlots, insteadText } from '@/formats/sentences';

/** `32 min`, `1 h 05`: how long until or since, never in seconds. */
export function howLong(s: number): string {
  const min = Math.max(0, Math.round(s / 60));
  return min < 60 ? `${min} min` : `${Math.floor(min / 60)} h ${String(min % 60).padStart(2, '0')}`;
}

/** `130 m`, `10.7 km`; `420 ft`, `6.6 mi`. */
export function howFar(m: number, units: Units): string {
  if (units === 'imperial') return m < 300 ? `${Math.round(m / 0.3048 / 10) * 10} ft` : distance(m, units);
  return m < 950 ? `${Math.round(m / 10) * 10} m` : distance(m, units);
}

export const lower = (s: string): string => s[0].toLowerCase() + s.slice(1);
export const upper = (s: string): string => s[0].toUpperCase() + s.slice(1);

/** What a cue asks, a line for each thing, as read at arm's length. */
export const cueLines = (cue: Cue, garments: ReadonlyMap<string, Garment>): string[] =>
  cueText(cue, garments).map((t) => upper(t));

/** The same in one line. */
export const cueLine = (cue: Cue, garments: ReadonlyMap<string, Garment>): string => cueLines(cue, garments).join('; ');

/** How it stands with the next cue, for the band over it. */
export function whenWords(c: CueNow, nowS: number): string {
  const over = nowS - c.dueS;
  if (c.later && nowS < c.later.untilS) return `asked again in ${howLong(c.later.untilS - nowS)}`;
  if (c.stands === 'overdue') return `${howLong(over)} overdue`;
  if (c.stands === 'due') return 'now';
  return `in ${howLong(Math.max(60, c.dueS - nowS))}`;
}

/** Cues that ask for the whole screen. */
const ASKS: ReadonlySet<CueStands> = new Set(['near', 'due', 'overdue']);
export const asksNow = (c: CueNow | null): c is CueNow => c !== null && ASKS.has(c.stands);

/** What missing it does, as its reason; empty where that is not worked out yet, or hardly anything. */
export function whyWords(c: CueNow, reasons: readonly CueReason[], units: Units): string {
  const r = reasons.find((x) => Math.abs(x.atS - c.cue.atS) < 1);
  return r && r.missCost >= LEAST_MISS ? `Else: ${insteadText(r.miss, units)}.` : '';
}
/** Missing a cue that costs less than this does nothing worth a word, points. */
const LEAST_MISS = 0.05;

/** The headline while nothing is asked for: never rosier than what is known to lie ahead. */
export function quietWords(
  out: OutThere,
  ahead: readonly Finding[],
  units: Units,
  { endS, farM }: { endS: number; farM: number },
): { head: string; then: string } {
  const { next, nowS } = out;
  const until = (next?.dueS ?? endS) - nowS;
  const worst = ahead.filter((f) => f.severity >= 2).sort((a, b) => b.severity - a.severity || a.atS - b.atS)[0];
  const head =
    out.lateS > LATE_S
      ? `${howLong(out.lateS)} late.`
      : out.lateS < -LATE_S
        ? `${howLong(-out.lateS)} early.`
        : worst
          ? 'Nothing to do yet.'
          : 'All is well.';
  const then = worst
    ? `${whereabouts(worst, nowS)}${lower(fillSlots(findingSentence(worst), units))}`
    : until > 0
      ? `Nothing to do for ${howLong(until)}${farM > 100 ? `, or ${howFar(farM, units)}` : ''}.`
      : 'Nothing more to do.';
  return { head, then };
}
/** What is of the whole day has no moment of its own. */
const WHOLE: ReadonlySet<Finding['kind']> = new Set(['chances', 'stuck out', 'floor', 'slowed']);
const whereabouts = (f: Finding, nowS: number): string =>
  WHOLE.has(f.kind) ? 'Mind: ' : f.atS < nowS ? 'Behind you, by this calculation: ' : 'Ahead: ';
/** So far off the plan is worth the headline, s. */
const LATE_S = 300;

/** Danger: words first. */
export const DANGER_WORDS: Record<DangerKind, { head: string; goes: string }> = {
  'turn back': { head: 'Turn back now.', goes: 'I turn back' },
  face: { head: 'Cover your face now.', goes: 'Covered' },
  fingers: { head: 'Warm your hands now.', goes: 'Done, going on' },
  toes: { head: 'Your toes are going.', goes: 'Done, going on' },
  cold: { head: 'Warm up now.', goes: 'Done, going on' },
  hot: { head: 'Stop. Cool down.', goes: 'Done, slower now' },
};

const SOON = (d: Danger, nowS: number): string => (d.atS - nowS < 90 ? 'now' : `in ${howLong(d.atS - nowS)}`);

/** Why, in numbers, under the headline. */
export function dangerSays(d: Danger, nowS: number, units: Units): string {
  switch (d.kind) {
    case 'turn back':
      return '';
    case 'face':
      return `Bare skin ${degrees(d.value, units)} ${SOON(d, nowS)}: it can freeze. White spots? Warm them with a bare hand, do not rub.`;
    case 'fingers':
      return d.value < ALARM.faceC
        ? `Fingers freeze ${SOON(d, nowS)}: frostbite. Armpits, mitts, out of the wind. Do not rub; do not warm them where they may freeze again.`
        : `Fingers ${degrees(d.value, units)} ${SOON(d, nowS)}: numb. You could not work a zip or this phone.`;
    case 'toes':
      return `Toes ${degrees(d.value, units)} ${SOON(d, nowS)}: numb. Stamp, swing your legs, loosen the boots; go down or in if they stay so.`;
    case 'cold':
      return `Chilled through ${SOON(d, nowS)}: torso skin ${degrees(d.value, units)}. Put on everything, eat, move; in if it stays so.`;
    case 'hot':
      return `Core ${degrees(d.value, units, 1)} ${SOON(d, nowS)}. Stop in the shade, open everything, drink.`;
  }
}

/** Openings that stand open at the start, after the name of a garment. */
export function openWords(g: Garment, plan: Plan): string {
  const settings = plan.openings[g.id] ?? {};
  const actions = g.openings.flatMap((o) =>
    settings[o.id] === undefined ? [] : [{ do: 'set' as const, garment: g.id, opening: o.id, setting: settings[o.id] }],
  );
  const [c] = changesOf(actions, new Map([[g.id, g]]));
  return c ? c.text.slice(c.text.indexOf(':') + 2) : '';
}

/** A clock of the day, from s since the start. */
export const dayClock = (startMs: number, utcOffsetMin: number, atS: number): string =>
  timeOfDay(startMs + utcOffsetMin * 60_000 + atS * 1000);

/** How far somebody has come and how far it is, m. */
export const metresNow = (timeline: Timeline, wayS: number): { gone: number; left: number } => {
  const gone = metresAt(timeline, wayS);
  return { gone, left: Math.max(0, metresAt(timeline, timeline.endS) - gone) };
};

/** The message to whoever knows, short enough for one text message. */
export function homeMessage(how: { name: string; place: string | null; says: string; due: string }): string {
  return [`${how.name}: ${how.says}`, how.place, `Due back ${how.due}.`].filter(Boolean).join(' ');
}

/** `56.1234 N, 12.3456 E`. */
export function coordinates(lat: number, lon: number): string {
  const one = (v: number, [pos, neg]: [string, string]) => `${Math.abs(v).toFixed(4)} ${v < 0 ? neg : pos}`;
  return `${one(lat, ['N', 'S'])}, ${one(lon, ['E', 'W'])}`;
}
