import { exp } from '@/core/quantity/exact';
import { EIGHT_IN_TEN } from '@/core/quantity/normal';
import { of, PARAMETERS, type Learned, type Parameter } from './learned';

const SAYS: Record<Parameter, { more: string; less: string; as: string }> = {
  sweat: {
    more: 'you sweat {} more than you said',
    less: 'you sweat {} less than you said',
    as: 'you sweat as you said',
  },
  heat: {
    more: 'you make {} more heat for the same pace',
    less: 'you make {} less heat for the same pace',
    as: 'you make as much heat as you said',
  },
  closing: {
    more: 'your hands and feet close {} more firmly',
    less: 'your hands and feet close {} less firmly',
    as: 'your hands and feet close as you said',
  },
  comfort: { more: 'you run {} warmer', less: 'you run {} colder', as: 'you run as warm as you said' },
  hands: {
    more: 'your hands feel warm {} sooner',
    less: 'your hands feel cold {} sooner',
    as: 'your hands feel as most people’s',
  },
  feet: {
    more: 'your feet feel warm {} sooner',
    less: 'your feet feel cold {} sooner',
    as: 'your feet feel as most people’s',
  },
  face: {
    more: 'your face feels warm {} sooner',
    less: 'your face feels cold {} sooner',
    as: 'your face feels as most people’s',
  },
};
/** Nearer to nothing than this is as it was said, in standard deviations among people. */
const SAME = 0.25;

/** An amount in words; K as a slot, so that a page says it in the athlete's units. */
const amount = (p: Parameter, v: number): string =>
  PARAMETERS[p].as === 'share' ? `${Math.abs(Math.round(100 * (exp(v) - 1)))} %` : `{delta:${Math.abs(v).toFixed(1)}}`;

/**
 * One parameter in words, with where eight in ten lie: `you sweat 21 % more than you said, 10 to 32 %`. Kelvins stand in slots,
 * `{delta:0.9}`: see `fillSlots`.
 */
export function learnedWords(l: Learned, p: Parameter): string {
  const { mean, sd } = of(l, p);
  if (Math.abs(mean) < SAME * PARAMETERS[p].sd) return SAYS[p].as;
  const [low, high] = [mean - EIGHT_IN_TEN * sd, mean + EIGHT_IN_TEN * sd];
  const signed = (v: number) => `${Math.sign(v) === Math.sign(mean) ? '' : '−'}${amount(p, v)}`;
  const [near, far] = mean > 0 ? [low, high] : [high, low];
  return `${(mean > 0 ? SAYS[p].more : SAYS[p].less).replace('{}', amount(p, mean))}, ${signed(near).replace(/ %$/, '')} to ${signed(far)}`;
}
