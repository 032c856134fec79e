import type { Finding } from './findings';
import type { Metrics } from './metrics';

/** The sentence at the top: a bold beginning and the rest, with the numbers it rests on left as slots for the unit system. */
export interface Verdict {
  tone: 'holds' | 'weak' | 'fails';
  lead: string;
  /** words; {temp:°C} {delta:K} {time:s} {share:0–1} {mass:g} are filled in by the screen in the athlete's units */
  rest: string;
}

export function verdict(list: readonly Finding[], m: Metrics): Verdict {
  const worst = list[0];
  if (!worst || worst.severity === 1) {
    const dry = m.waterPeak.value < 60;
    return {
      tone: 'holds',
      lead: dry ? 'It holds, and you stay dry.' : 'It holds.',
      rest: `${m.waterPeak.value < 3 ? 'Hardly any water in your clothes' : `At most {mass:${m.waterPeak.value.toFixed(0)}} of water in your clothes at {time:${m.waterPeak.atS}}`}; fingers never below {temp:${m.fingers.value.toFixed(4)}}.${worst ? ' ' + sentence(worst) : ''}`,
    };
  }
  const others = list.slice(1).filter((f) => f.severity >= 2);
  const tail =
    others.length === 0
      ? ' Everything else holds.'
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
    rest: `${number(worst)}${worst.unit === 'min' ? ', worst' : ''} at {time:${worst.atS}}, ${worst.means}.${tail}`,
  };
}

const plural = (what: string): boolean => /fingers|toes/.test(what);

function number(f: Finding): string {
  switch (f.unit) {
    case '°C':
      return `{temp:${f.value.toFixed(2)}}`;
    case 'K':
      return `{delta:${f.value.toFixed(2)}}`;
    case 'share':
      return `{share:${f.value.toFixed(2)}}`;
    case 'g':
      return `{mass:${f.value.toFixed(0)}}`;
    default:
      return `${f.value.toFixed(0)} ${f.unit}`;
  }
}

function sentence(f: Finding): string {
  return `${f.what} ${f.unit === '°C' ? (f.kind === 'too hot' ? 'reaches' : 'falls to') : 'reaches'} ${number(f)} at {time:${f.atS}}: ${f.means}.`;
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
