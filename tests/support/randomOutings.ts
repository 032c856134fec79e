import type { Garment } from '@/core/clothing/garment';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Sport } from '@/core/effort/sports';
import type { Leg } from '@/core/outing/leg';
import type { Timeline } from '@/core/outing/timeline';
import { aLeg, dayOf } from './outings';

/** Seeded: the same numbers every time. Park & Miller 1988, multiplier 48271. */
export function seeded(seed: number): () => number {
  let x = (seed * 7919 + 17) % 2147483647;
  return () => {
    x = (x * 48271) % 2147483647;
    return x / 2147483647;
  };
}

export interface RandomOuting {
  name: string;
  sport: Sport;
  closet: Garment[];
  timeline: Timeline;
}

const SPORTS: Sport[] = ['run', 'classic ski', 'ski tour', 'cycle', 'hike', 'snowshoe'];
/** What each sport takes when gone easy and hard, W. */
const WATTS: Partial<Record<Sport, [number, number]>> = {
  run: [650, 950],
  'classic ski': [550, 950],
  'ski tour': [450, 800],
  cycle: [400, 850],
  hike: [320, 600],
  snowshoe: [400, 700],
};

/** A day out as a person might plan it: one to five legs, stops between them, its own air and wind, and about 45 garments. */
export function randomOuting(seed: number): RandomOuting {
  const next = seeded(seed);
  const between = (a: number, b: number) => a + (b - a) * next();
  const sport = SPORTS[Math.floor(next() * SPORTS.length)];
  const airC = Math.round(between(-26, 8));
  const wind = between(0.5, 6);
  const [easy, hard] = WATTS[sport]!;
  const legs: Leg[] = [];
  const count = 1 + Math.floor(next() * 4);
  for (let i = 0; i < count; i++) {
    const moving = Math.round(between(20, 60));
    legs.push(
      aLeg({
        name: `Leg ${i + 1}`,
        sport,
        minutes: moving,
        effort: { by: 'metabolic', value: Math.round(between(easy, hard)) },
        air: { wind: wind * between(0.6, 1.6) + (sport === 'run' || sport === 'cycle' ? 2 : 0.5) },
      }),
    );
    if (i < count - 1)
      legs.push(
        aLeg({
          name: `Stop ${i + 1}`,
          sport: 'stand',
          minutes: Math.round(between(4, 18)),
          effort: { by: 'usual' },
          air: { wind: wind * between(0.4, 1.5) },
        }),
      );
  }
  // Each piece is owned or not; what nobody can go without is.
  const needed =
    /^(thin-synthetic-base|briefs|brushed-tights|wool-socks|.*shoes|.*boots|wind-shell|standby-puffy|liner-gloves|warm-mitts|thin-cap)$/;
  const closet = CATALOGUE.filter((g) => needed.test(g.id) || next() < 0.5);
  return {
    name: `${sport}, ${airC} °C, ${legs.length} legs, ${closet.length} garments`,
    sport,
    closet,
    timeline: dayOf(legs, airC, wind),
  };
}
