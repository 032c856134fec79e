import type { Felt } from '@/core/judge/felt';
import { RIGHT } from '@/core/judge/felt';
import type { Judgement } from '@/core/judge/judgement';
import { verdict as verdictOf } from '@/core/judge/verdict';
import type { Scored } from '@/core/judge/scorePlan';
import { clock } from './dates';
import { degrees, grams, type Units } from './measures';
import { fillSlots } from './sentences';

const NUMBER_WORDS = 'no one two three four five six seven eight nine ten eleven twelve'.split(' ');
/** Small numbers as words, the rest as figures. */
const counted = (n: number): string => NUMBER_WORDS[n] ?? String(n);
const minutesWord = (s: number): string => {
  const m = Math.max(1, Math.round(s / 60));
  return `${counted(m)} ${m === 1 ? 'minute' : 'minutes'}`;
};

/** Under this nobody calls it hot, min. */
const HOT_MINUTES = 1;

/** How it feels from the door on, in a sentence. */
export function feltWords(f: Felt): string {
  const start =
    f.atDoor >= RIGHT.from && f.atDoor <= RIGHT.to
      ? 'Right from the door'
      : f.atDoor > RIGHT.to
        ? 'Warm at the door'
        : f.rightAtS === null
          ? f.coldMinutes > 0
            ? 'Cold at the door and not right on the way'
            : 'Cool at the door and all the way'
          : `${f.coldMinutes > 1 ? 'Cold' : 'Cool'} at the door, right after ${minutesWord(f.rightAtS)}`;
  const hot =
    f.hotAtS !== null && f.hotMinutes > HOT_MINUTES
      ? `, hot from ${clock(f.hotAtS)} for ${minutesWord(f.hotMinutes * 60)}`
      : '';
  return `${start}${hot}.`;
}

/** The same in a word or two, for a small place: `right 0:09`, `hot 4 min`. */
export function feltBrief(f: Felt): string {
  if (f.hotAtS !== null && f.hotMinutes > HOT_MINUTES) return `hot ${Math.round(f.hotMinutes)} min`;
  if (f.rightAtS === null) return f.atDoor > RIGHT.to ? 'warm' : 'cool';
  return f.rightAtS < 60 ? 'right' : `right ${clock(f.rightAtS)}`;
}

/** A little more water is not worth a word, g. */
const WATER_WORTH_G = 8;

/**
 * Headline and what stands below it. Where something is a weak point or worse that is the headline, and never how it feels: nothing
 * above may be rosier than what is below.
 */
export function doorVerdict(
  judged: Judgement,
  felt: Felt,
  run: { scored: Scored; without: Scored | null },
  units: Units,
): { lead: string; rest: string; tone: Judgement['verdict']['tone'] } {
  // That it is night stands among what to take along.
  const said = judged.findings.filter((f) => f.kind !== 'dark');
  const verdict = verdictOf(said, run.scored.metrics, 'all');
  const rest = `${fillSlots(verdict.rest, units)}${withoutWords(run, units)}`;
  return { lead: verdict.tone === 'holds' ? feltWords(felt) : verdict.lead, rest, tone: verdict.tone };
}

/** What no cue would cost, where that is worth a word. */
function withoutWords({ scored, without }: { scored: Scored; without: Scored | null }, units: Units): string {
  if (!without) return '';
  const now = scored.metrics.waterPeak.value;
  const then = without.metrics.waterPeak.value;
  const water = then - now > WATER_WORTH_G ? `${grams(then, units)} of water, not ${grams(now, units)}` : null;
  const colder = scored.metrics.fingers.value - without.metrics.fingers.value;
  const fingers = colder > 1.5 ? `fingers ${degrees(without.metrics.fingers.value, units)}` : null;
  const parts = [water, fingers].filter((x) => x !== null);
  return parts.length === 0 ? '' : ` Without the cues: ${parts.join(', ')}.`;
}
