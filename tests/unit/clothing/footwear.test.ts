import { garmentArrays } from '@/core/clothing/garmentArrays';
import { buildStacks, newStacks } from '@/core/clothing/stack';
import { zoneIndex } from '@/core/body/zones';
import { garmentsOf } from '#tests/support/outings';

const [BOOTS] = garmentsOf('winter-boots');
const AIR = { airC: 0, relativeWind: 1, pumping: 0, packOn: false };

/** Common practice, no published source: one thick sock in a loose boot, a thin one in a boot that holds the foot, none where it squeezes. */
test('a boot has room for 5.5 mm of sock up to a tightness of 0.1, for none from 0.3 on, and else in proportion; what is no boot has no limit', () => {
  const room = (tightness: number) => garmentArrays([{ ...BOOTS, tightness }]).room[0];
  expect(room(0)).toBeCloseTo(0.0055, 9);
  expect(room(0.1)).toBeCloseTo(0.0055, 9);
  expect(room(0.15)).toBeCloseTo(0.0055 * 0.75, 9);
  expect(room(0.25)).toBeCloseTo(0.0055 * 0.25, 9);
  expect(room(0.3)).toBeCloseTo(0, 9);
  expect(room(0.9)).toBe(0);
  expect(garmentArrays(garmentsOf('warm-mitts')).room[0]).toBe(Infinity);
});

/** Share of the blood that reaches the toes in boots of such a tightness over socks of such a thickness, mm. */
function flow(tightness: number, sockMm: number | null): number {
  const [sock] = garmentsOf('wool-socks');
  const socks = sockMm === null ? [] : [{ ...sock, thicknessMm: sockMm, tightness: 0 }];
  const w = garmentArrays([...socks, { ...BOOTS, tightness }]);
  const s = newStacks();
  buildStacks(w, { worn: new Uint8Array(w.count).fill(1), open: new Float64Array(w.count * 4) }, AIR, s);
  return s.flowFactor[zoneIndex('toes')];
}

test('tight boots squeeze a third of their tightness on bare feet, all of it over three millimetres, and what has no room besides', () => {
  // Three quarters of the squeeze is taken from the blood.
  expect(flow(0.1, null)).toBeCloseTo(1 - 0.75 * 0.1 * 0.35, 9);
  expect(flow(0.1, 1.5)).toBeCloseTo(1 - 0.75 * 0.1 * 0.675, 9);
  expect(flow(0.1, 3)).toBeCloseTo(1 - 0.75 * 0.1, 9);
  expect(flow(0.1, 5)).toBeCloseTo(1 - 0.75 * 0.1, 9);
  // Half a millimetre too much is an eighth of the overfill that squeezes in full.
  expect(flow(0.1, 6)).toBeCloseTo(1 - 0.75 * (0.1 + 0.125), 9);
  expect(flow(0.25, 1.2)).toBeCloseTo(1 - 0.75 * 0.25 * (0.35 + 0.65 * 0.4), 9);
  expect(flow(0.6, 6)).toBeCloseTo(0.3, 9);
});
