import { dampNow, DRY_GM2, dryIn, maybeHot, missedBy, type Damp } from '@/core/afterwards/rack';
import { DRYING_PLACE_NAMES } from '@/core/moisture/drying';
import { rackCalendar } from '@/formats/rackCalendar';
import { garmentsOf } from '#tests/support/outings';

const [wool, fleece, boots, down] = garmentsOf('wool-pullover', 'grid-fleece', 'touring-boots', 'down-puffy');
const HOUR = 3600_000;
const plan = (...worn: string[]) => ({ worn, carried: [], openings: {}, cues: [] });

describe('a piece that hangs', () => {
  const at = (hours: number) => dampNow(wool, { place: 'on a line indoors', sinceMs: 0, fromGm2: 300 }, hours * HOUR);
  it('dries from hour to hour, and never gets wetter', () => {
    const list = [0, 0.5, 1, 2, 4, 8].map(at);
    expect(list[0]).toBeCloseTo(300, 0);
    for (let i = 1; i < list.length; i++) expect(list[i]).toBeLessThanOrEqual(list[i - 1]);
    expect(list[3]).toBeLessThan(300);
  });
  it('is dry to the hand under a few grams, and after ten days', () => {
    const faint = (fromGm2: number) => dampNow(wool, { place: 'outside in frost', sinceMs: 0, fromGm2 }, 0);
    expect([faint(DRY_GM2), faint(DRY_GM2 - 0.1)]).toEqual([expect.closeTo(DRY_GM2, 6), 0]);
    const frozen = (hours: number) => dampNow(wool, { place: 'in a tent', sinceMs: 0, fromGm2: 1900 }, hours * HOUR);
    expect(frozen(241)).toBe(0);
  });
  it('a clock that is behind dries nothing', () => {
    expect(dampNow(wool, { place: 'by the stove', sinceMs: 5 * HOUR, fromGm2: 80 }, 0)).toBeCloseTo(80, 6);
  });
});

describe('what the next outing will miss', () => {
  const damp = (over: Partial<Damp> = {}): Damp => ({ garment: wool, dampGm2: 400, place: 'in a tent', ...over });
  const closet = [wool, fleece];
  it('is a piece of its plan that is not dry by then, on either side of the hour', () => {
    const minutes = dryIn(damp({ place: 'on a line indoors' }));
    const by = (hours: number) =>
      missedBy(plan(wool.id), [damp({ place: 'on a line indoors' })], { hours, closet: [wool] });
    expect(by(minutes / 60 + 0.01)).toEqual([]);
    expect(by(minutes / 60 - 0.01)).toMatchObject([{ garment: wool.id }]);
    expect(missedBy(plan('something-else'), [damp()], { hours: 0.1, closet })).toEqual([]);
  });
  it('the gentlest place in which it would be dry, else a dry piece of its kind, else nothing', () => {
    const line = dryIn(damp({ place: 'on a line indoors' })) / 60;
    const stove = dryIn(damp({ place: 'by the stove' })) / 60;
    expect(stove).toBeLessThan(line);
    const by = (hours: number, list = closet) => missedBy(plan(wool.id), [damp()], { hours, closet: list })[0].instead;
    expect(by(line + 0.1)).toEqual({ place: 'on a line indoors' });
    expect(by((line + stove) / 2)).toEqual({ place: 'by the stove' });
    expect(by(stove * 0.5)).toEqual({ garment: fleece.id });
    expect(by(stove * 0.5, [wool])).toBeNull();
  });
  it('leather and down are not sent to the stove', () => {
    expect([boots, down, wool, fleece].map(maybeHot)).toEqual([
      boots.fibre !== 'leather' && boots.fibre !== 'rubber',
      false,
      true,
      true,
    ]);
  });
  it('every place dries something in some time, paper in shoes faster than a heap', () => {
    for (const place of DRYING_PLACE_NAMES) expect(dryIn(damp({ place }))).toBeGreaterThan(10);
    const shoe = { garment: boots, dampGm2: 120 };
    expect(dryIn({ ...shoe, place: 'with paper inside' })).toBeLessThan(dryIn({ ...shoe, place: null }));
  });
});

describe('reminders', () => {
  it('are iCalendar (RFC 5545): an event a piece, with its alarm, in local time', () => {
    const text = rackCalendar(
      [{ id: 'w', name: 'Wool, the “red” one', dryMs: Date.UTC(2027, 0, 16, 19, 22), place: 'on a line indoors' }],
      Date.UTC(2027, 0, 16, 8),
    );
    const lines = text.replace(/\r\n[ \t]/g, '').split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines.filter((l) => l === 'BEGIN:VEVENT')).toHaveLength(1);
    expect(lines.find((l) => l.startsWith('DTSTART'))).toMatch(/20270116T192200$/);
    expect(lines.find((l) => l.startsWith('SUMMARY'))).toMatch(/Wool\\, the .red. one is dry/);
    expect(lines).toContain('BEGIN:VALARM');
    expect(Math.max(...text.split('\r\n').map((l) => Buffer.byteLength(l)))).toBeLessThanOrEqual(75);
  });
});
