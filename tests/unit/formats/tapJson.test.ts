import { MOST_TAPS } from '@/core/underway/taps';
import { Refused } from '@/formats/problem';
import { readTap, readTaps, TOLD_SCHEMAS } from '@/formats/tapJson';

const id = (n = 1) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const tap = (told: object, over: object = {}) => ({ id: id(), atMs: 1.8e12, device: 'phone', told, ...over });
const problems = (value: unknown) => {
  try {
    readTap(value, 'Tap');
    return [];
  } catch (e) {
    return (e as Refused).problems.map((p) => `${p.field}: ${p.value}`);
  }
};

describe('a tap as JSON', () => {
  it('every kind has its own schema, and names the field that does not fit', () => {
    expect(problems(tap({ kind: 'feels', feels: 'sweating' }))).toEqual([]);
    expect(problems(tap({ kind: 'feels', feels: 'splendid' }))[0]).toMatch(/feels/);
    expect(problems(tap({ kind: 'pulse', bpm: 20 }))).toEqual([]);
    expect(problems(tap({ kind: 'pulse', bpm: 19 }))[0]).toMatch(/bpm/);
    expect(problems(tap({ kind: 'pulse', bpm: 250 }))).toEqual([]);
    expect(problems(tap({ kind: 'pulse', bpm: 251 }))[0]).toMatch(/bpm/);
    expect(problems(tap({ kind: 'late', minutes: 240 }))).toEqual([]);
    expect(problems(tap({ kind: 'late', minutes: 241 }))[0]).toMatch(/minutes/);
    const so = { people: 12, shelter: null, helpFromH: 0, helpToH: 12 };
    expect(problems(tap({ kind: 'stuck so', so }))).toEqual([]);
    expect(problems(tap({ kind: 'stuck so', so: { ...so, people: 1 } }))).toEqual([]);
    expect(problems(tap({ kind: 'stuck so', so: { ...so, people: 13 } }))[0]).toMatch(/people/);
    expect(problems(tap({ kind: 'stuck so', so: { ...so, people: 0 } }))[0]).toMatch(/people/);
    expect(problems(tap({ kind: 'stuck so', so: { ...so, helpToH: 12.1 } }))[0]).toMatch(/helpToH/);
    expect(problems(tap({ kind: 'dances' }))[0]).toMatch(/kind/);
    expect(problems(tap({ kind: 'stopped', why: 'tea' }))).not.toEqual([]);
    expect(problems(tap({ kind: 'stopped' }, { id: 'mine' }))[0]).toMatch(/id/);
    expect(problems(tap({ kind: 'stopped' }, { atMs: -1 }))[0]).toMatch(/atMs/);
    expect(Object.keys(TOLD_SCHEMAS)).toHaveLength(33);
  });
  it('one that does not fit holds up no other, and is told by its id', () => {
    const { taps, refused } = readTaps({
      taps: [
        tap({ kind: 'going' }),
        tap({ kind: 'pulse', bpm: 999 }, { id: id(2) }),
        tap({ kind: 'home' }, { id: id(3) }),
      ],
    });
    expect(taps.map((t) => t.id)).toEqual([id(1), id(3)]);
    expect(refused).toEqual([{ id: id(2), problems: [expect.objectContaining({ field: 'bpm' })] }]);
  });
  it('a list of nothing, of too many, or of what has no id is refused whole', () => {
    expect(() => readTaps({ taps: [] })).toThrow(Refused);
    expect(() => readTaps({ taps: [{ told: {} }] })).toThrow(/id/);
    const many = (n: number) => ({ taps: Array.from({ length: n }, (_, i) => tap({ kind: 'going' }, { id: id(i) })) });
    expect(readTaps(many(MOST_TAPS)).taps).toHaveLength(MOST_TAPS);
    expect(() => readTaps(many(MOST_TAPS + 1))).toThrow(Refused);
  });
});
