import { byFelt } from '@/core/afterwards/byFelt';
import { aDay } from '#tests/support/aDay';

describe('days by what it felt like', () => {
  const at = (feelsC: number, was: 'right' | 'too warm' | 'too cold' | null) => aDay({ feelsC, was });
  it('stand in bands without a gap, each with how its days were; untold ones say nothing', () => {
    const days = [
      at(-16, 'too cold'),
      at(-15, 'right'),
      at(-0.1, 'right'),
      at(0, 'too warm'),
      at(4.9, 'right'),
      at(9, null),
    ];
    expect(byFelt(days, (d) => d.feelsC, 5)).toEqual([
      { from: -20, right: 0, warm: 0, cold: 1 },
      { from: -15, right: 1, warm: 0, cold: 0 },
      { from: -10, right: 0, warm: 0, cold: 0 },
      { from: -5, right: 1, warm: 0, cold: 0 },
      { from: 0, right: 1, warm: 1, cold: 0 },
    ]);
  });
  it('are none where nothing was told', () => {
    expect(byFelt([at(2, null)], (d) => d.feelsC, 5)).toEqual([]);
  });
});
