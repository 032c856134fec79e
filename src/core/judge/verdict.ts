import type { Finding } from './findings';
import { LIMIT } from './limits';
import type { Metrics } from './metrics';

/** The sentence at the top: a bold beginning and the rest, with the numbers it rests on left as slots for the unit system. */
export interface Verdict {
  tone: 'holds' | 'weak' | 'fails';
  lead: string;
  /** words; {temp:°C} {core:°C, to a tenth} {delta:K} {time:s} {share:0–1} {mass:g} are filled in by the screen in the athlete's units */
  rest: string;
}

/**
 * What a verdict rests on: the run of the forecast day alone, or also what is asked beside it (other days, being stuck out, the athlete's floor). One that
 * rests on the forecast alone never says that a plan holds: what is asked beside it may be graver.
 */
export type RestsOn = 'forecast' | 'all';

export function verdict(list: readonly Finding[], m: Metrics, on: RestsOn): Verdict {
  const worst = list[0];
  if (!worst || worst.severity === 1) {
    const dry = m.waterPeak.value < LIMIT.staysDryG;
    return {
      tone: 'holds',
      lead:
        on === 'forecast'
          ? 'Nothing weak as forecast.'
          : dry
            ? 'It holds as forecast, and you stay dry.'
            : 'It holds as forecast.',
      rest: `${m.waterPeak.value < LIMIT.hardlyWetG ? 'Hardly any water in your clothes' : `At most {mass:${m.waterPeak.value.toFixed(0)}} of water in your clothes at {time:${m.waterPeak.atS}}`}; fingers never below {temp:${m.fingers.value.toFixed(4)}}.${list
        .slice(0, NOTES)
        .map((f) => ' ' + findingSentence(f))
        .join('')}`,
    };
  }
  const others = list.slice(1).filter((f) => f.severity >= 2);
  const tail =
    others.length === 0
      ? on === 'forecast'
        ? ''
        : ' Everything else holds.'
      : ` Also: ${others
          .slice(0, 2)
          .map((f) => f.what.replace(/^Your /, '').toLowerCase() + ' ' + number(f))
          .join(', ')}.`;
  return {
    tone: worst.severity === 3 ? 'fails' : 'weak',
    lead:
      worst.severity === 3
        ? `${worst.what}: this plan is not safe.`
        : `${worst.what} ${plural(worst.what) ? 'are' : 'is'} the weak point:`,
    rest: `${said(worst)}.${tail}`,
  };
}

/** Notes that a plan that holds is given along with. */
const NOTES = 2;

const plural = (what: string): boolean => /^Your .*(fingers|toes|airways|ears|legs)/.test(what);

/** What holds for the whole outing has no moment of its own. */
const WHOLE: ReadonlySet<Finding['kind']> = new Set(['chances', 'floor', 'slowed']);

const OF_CORE: ReadonlySet<Finding['kind']> = new Set(['too hot', 'core cold']);

/** Number, moment and meaning of a finding. */
function said(f: Finding): string {
  if (f.kind === 'chances' || f.kind === 'stuck out') return `${number(f)} ${f.means}`;
  if (f.kind === 'floor') return `${number(f)} at worst, below your own floor of {temp:${f.limit.toFixed(2)}}`;
  const when = WHOLE.has(f.kind) ? '' : `${f.unit === 'min' ? ', worst' : ''} at {time:${f.atS}}`;
  return `${number(f)}${when}, ${f.means}`;
}

function number(f: Finding): string {
  switch (f.unit) {
    case '°C':
      // Between a working core and a sick one lies less than a degree.
      return `{${OF_CORE.has(f.kind) ? 'core' : 'temp'}:${f.value.toFixed(2)}}`;
    case 'K':
      return `{delta:${f.value.toFixed(2)}}`;
    case 'share':
      return `{share:${f.value.toFixed(2)}}`;
    case 'g':
      return `{mass:${f.value.toFixed(0)}}`;
    case 'h':
      return f.value < 2 ? `${(f.value * 60).toFixed(0)} min` : `${f.value.toFixed(1)} h`;
    case 'vote':
      return `${f.value.toFixed(1).replace('-', '−')} of −3`;
    case 'm/s':
      return `{wind:${f.value.toFixed(2)}}`;
    case '°':
      return `${f.value.toFixed(0).replace('-', '−')}°`;
    default:
      return `${f.value.toFixed(0)} ${f.unit}`;
  }
}

/** A finding as a sentence, with its numbers as slots. */
export function findingSentence(f: Finding): string {
  if (f.kind === 'chances' || f.kind === 'stuck out') return `${f.what}: ${number(f)} ${f.means}.`;
  if (f.kind === 'floor') return `It feels like ${said(f)}.`;
  if (f.kind === 'airways') return `${f.what}, in air of ${number(f)} at {time:${f.atS}}: ${f.means}.`;
  const many = plural(f.what);
  const verb =
    f.kind === 'exposure'
      ? 'feels like'
      : f.unit === '°C' && f.kind !== 'too hot'
        ? many
          ? 'fall to'
          : 'falls to'
        : many
          ? 'reach'
          : 'reaches';
  return `${f.what} ${verb} ${number(f)} at {time:${f.atS}}: ${f.means}.`;
}

/** The usual public cautions, shown with every plan. */
export const CAUTIONS: readonly string[] = [
  'Frostnip and frostbite: white, waxy or numb skin. Cover it, warm it against skin, do not rub, get out of the wind.',
  'Hypothermia: shivering that will not stop, fumbling, mumbling, stumbling. Stop the loss of heat, add layers, call for help early.',
  'Cold dry air can set off asthma; carry your medicine and cover the mouth.',
  'Heart disease, Raynaud’s, diabetes and pregnancy change what is safe: ask your doctor before hard efforts in the cold.',
  'Alcohol warms nobody: it opens the skin’s vessels and dulls judgement.',
  'This is a calculation, not a guarantee. Avalanche, weather and rescue services and local advice come first.',
];
