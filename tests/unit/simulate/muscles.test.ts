import { SPORT, SPORTS } from '@/core/effort/sports';
import { MUSCLE_BY_ZONE } from '@/core/simulate/muscles';

test.each(SPORTS)('%s: the heat of working muscle is shared out over the zones, and nothing of it is lost', (sport) => {
  const shares = [...MUSCLE_BY_ZONE[sport]];
  expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(
    SPORT[sport].muscles.reduce((a: number, b: number) => a + b, 0),
    12,
  );
  expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
  expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
});
