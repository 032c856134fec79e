import { daysIn, monthRound, movedTo, nearestDay } from '@/features/book/stretch';

const xs = [18, 40, 62, 90, 130];

describe('a stretch of the winter', () => {
  it('the nearest day is under the pointer, also beyond the ends', () => {
    expect([-50, 28, 30, 75, 400].map((x) => nearestDay(xs, x))).toEqual([0, 0, 1, 2, 4]);
    expect(nearestDay([], 5)).toBe(-1);
  });
  it('holds the days that were dragged over, either way, and two at least', () => {
    expect(daysIn(xs, [30, 100])).toEqual([1, 3]);
    expect(daysIn(xs, [100, 30])).toEqual([1, 3]);
    expect(daysIn(xs, [40, 62])).toEqual([1, 2]);
    expect(daysIn(xs, [41, 62])).toBeNull();
    expect(daysIn(xs, [140, 200])).toBeNull();
    expect(daysIn(xs, [45, 50])).toBeNull();
  });
  it('goes along with the chosen day, as long as it was, and not past the ends', () => {
    expect(movedTo([2, 4], 3, 10)).toEqual([2, 4]);
    expect(movedTo([2, 4], 1, 10)).toEqual([1, 3]);
    expect(movedTo([2, 4], 5, 10)).toEqual([3, 5]);
    expect(movedTo([2, 4], 9, 10)).toEqual([7, 9]);
    expect(movedTo([2, 4], 0, 10)).toEqual([0, 2]);
  });
  it('is the month about a day; a day alone in it has its neighbours', () => {
    const day = 86_400_000;
    const starts = [0, 3, 10, 18, 80, 200].map((d) => d * day);
    expect(monthRound(starts, 1)).toEqual([0, 3]);
    expect(monthRound(starts, 4)).toEqual([3, 5]);
    expect(monthRound(starts, 5)).toEqual([4, 5]);
  });
});
