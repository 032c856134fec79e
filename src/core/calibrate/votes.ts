import { exp } from '@/core/quantity/exact';
import { normalBelow as below } from '@/core/quantity/normal';
import type { Unknown } from '@/core/questions/chances';

/** What somebody may say of themselves with one tap. */
export const FEELINGS = ['too hot', 'fine', 'cold', 'hands cold', 'feet cold', 'sweating'] as const;
export type Feeling = (typeof FEELINGS)[number];

/** What a run says of the same moment: vote −3 to 3, fingers and toes °C, torso wettedness 0–1, metabolic rate W. */
export interface Reading {
  vote: number;
  fingersC: number;
  toesC: number;
  wettedness: number;
  metabolicW: number;
}

/** Something that was said or measured at a moment: a feeling, or a metabolic rate read from the pulse, W. */
export type Heard = { atS: number; feels: Feeling } | { atS: number; metabolicW: number };

/**
 * People of one kind in one air differ by so many votes (one standard deviation), and beyond so many are dissatisfied: ISO 7730
 * has 5 % dissatisfied where the mean votes neutral, which is 1.5 over 1.96. The same curve then gives the standard's 26 and
 * 77 % at means of 1 and 2.
 */
export const VOTE = { too: 1.5, sd: 1.5 / 1.96 } as const;
/** Hands and feet are called cold from about this skin, °C, give or take (between ISO 11079's 24 comfortable and 15 clumsy; engineering values). */
export const COLD_HANDS = { atC: 20, sdK: 2.5 } as const;
/** Sweat is felt from this torso wettedness, give or take (Gagge; Fukazawa & Havenith, from memory; spread an engineering value). */
const SWEATS = { at: 0.3, sd: 0.12 } as const;
/** Pulse gives the metabolic rate to about this share (Swain & Leutholtz: individual scatter near 10 %, from memory). */
const PULSE_SHARE = 0.1;
/** A tap in so many is a slip of a mitten, or a joke (engineering value): one of them moves little. */
export const SLIP = 0.05;

/** How likely somebody of whom a run says this would say that, 0–1; every feeling is one of two answers, hot, fine and cold one of three. */
export function likelihood(heard: Heard, r: Reading): number {
  if ('metabolicW' in heard) {
    const off = (heard.metabolicW - r.metabolicW) / (PULSE_SHARE * r.metabolicW);
    // As high as a certain tap at its best, and never nothing: a strap slips too.
    return SLIP + (1 - SLIP) * exp(-0.5 * off * off);
  }
  return SLIP + (1 - SLIP) * said(heard.feels, r);
}

function said(feels: Feeling, r: Reading): number {
  const hands = below((COLD_HANDS.atC - r.fingersC) / COLD_HANDS.sdK);
  const feet = below((COLD_HANDS.atC - r.toesC) / COLD_HANDS.sdK);
  const hot = below((r.vote - VOTE.too) / VOTE.sd);
  const cold = below((-VOTE.too - r.vote) / VOTE.sd);
  switch (feels) {
    case 'too hot':
      return hot;
    case 'cold':
      return cold;
    case 'hands cold':
      return hands;
    case 'feet cold':
      return feet;
    case 'sweating':
      return below((r.wettedness - SWEATS.at) / SWEATS.sd);
    case 'fine':
      return (1 - hot - cold) * (1 - hands) * (1 - feet);
  }
}

/** What it means, in words, when an unknown turns out over or under what was expected. */
export const TURNS_OUT: Record<Unknown, { over: string; under: string; as: string }> = {
  air: { over: 'it is milder than forecast', under: 'it is colder than forecast', as: 'the air is as forecast' },
  wind: {
    over: 'it blows harder than forecast',
    under: 'it blows less than forecast',
    as: 'the wind is as forecast',
  },
  precipitation: {
    over: 'more falls than forecast',
    under: 'less falls than forecast',
    as: 'what falls is as forecast',
  },
  effort: {
    over: 'you work harder than I thought',
    under: 'you go easier than I thought',
    as: 'you go as hard as I thought',
  },
  sweat: {
    over: 'you sweat more than I thought',
    under: 'you sweat less than I thought',
    as: 'you sweat as I thought',
  },
  'hands and feet': {
    over: 'your hands and feet close sooner than I thought',
    under: 'your hands and feet stay open longer than I thought',
    as: 'your hands and feet are as I thought',
  },
  comfort: {
    over: 'you run warmer than I thought',
    under: 'you feel the cold more than I thought',
    as: 'you feel the cold as I thought',
  },
};
