/** @jest-environment jsdom */
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { causes } from '@/core/afterwards/causes';
import { nothingLearned } from '@/core/calibrate/learned';
import { CausesPanel } from '@/features/book/CausesPanel';
import { DayPanel } from '@/features/book/DayPanel';
import type { Told } from '@/features/book/filters';
import { DayMark, goingOf } from '@/features/book/Marks';
import { places, SeasonChart } from '@/features/book/SeasonChart';
import { feelsTicks } from '@/features/book/ticks';
import { WearMatrix } from '@/features/book/WearMatrix';
import { Curves } from '@/features/learned/Curves';
import { cToFahrenheit } from '@/core/quantity/units';
import { aDay } from '#tests/support/aDay';
import { garmentsOf } from '#tests/support/outings';

beforeAll(() => {
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const [shell, puffy] = garmentsOf('wind-shell', 'standby-puffy');
const garments = new Map([shell, puffy].map((g) => [g.id, g]));
const DAY_MS = 86_400_000;
const entry = (i: number, over: Partial<Told> = {}): Told => ({
  id: `d${i}`,
  name: `Day ${i}`,
  startMs: Date.UTC(2025, 10, 3) + i * 4 * DAY_MS,
  miss: { votes: i % 2 ? 0.3 : -2, sd: 0.5, after: 0.1 },
  kept: true,
  leftOut: false,
  day: aDay(),
  ...over,
});

describe('what days have in common, on the page', () => {
  const windy = { windMs: 9 };
  const days = [
    ...Array.from({ length: 5 }, (_, i) => entry(i, { day: aDay({ was: 'too cold' }, windy) })),
    ...Array.from({ length: 25 }, (_, i) => entry(10 + i)),
  ];
  const show = (
    units: 'metric' | 'imperial',
    onCall = jest.fn(),
    { refused = [], cues = [], onCue = jest.fn() }: { refused?: string[]; cues?: string[]; onCue?: jest.Mock } = {},
  ) => {
    render(
      <CausesPanel
        units={units}
        days={days}
        causes={causes(days.map((d) => d.day))}
        refused={refused}
        cues={cues}
        onCue={onCue}
        onLight={() => {}}
        onCall={onCall}
      />,
    );
    return onCall;
  };
  it('is counted in words and boxes against the days that went well, in the athlete’s units', () => {
    show('metric');
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('5 days went wrong, and they repeat.');
    expect(screen.getByRole('heading', { level: 3 }).textContent).toBe('5 of 5 cold days: wind over 7 m/s');
    expect(screen.getByRole('img', { name: '5 of 5 cold days' })).toBeTruthy();
    expect(screen.getByRole('img', { name: '0 of 25 other days' }).querySelectorAll('rect')).toHaveLength(25);
  });
  it('can be called chance, and looked for again', async () => {
    const onCall = show('imperial', jest.fn(), { refused: ['fast'] });
    expect(screen.getByRole('heading', { level: 3 }).textContent).toContain('16 mph');
    await userEvent.click(screen.getByRole('button', { name: 'That is chance' }));
    expect(onCall).toHaveBeenLastCalledWith('windy', 'chance');
    await userEvent.click(screen.getByRole('button', { name: 'Look for it again' }));
    expect(onCall).toHaveBeenLastCalledWith('fast', 'a cause');
  });
  it('is made a cue for the next winter and taken off again, also one that these days no longer show', async () => {
    const onCue = jest.fn();
    show('metric', jest.fn(), { onCue });
    await userEvent.click(screen.getByRole('button', { name: 'Make it a cue', pressed: false }));
    expect(onCue).toHaveBeenLastCalledWith('windy', 'a cue');
    cleanup();
    show('metric', jest.fn(), { onCue, cues: ['windy', 'fast'] });
    await userEvent.click(screen.getByRole('button', { name: 'A cue: take it off', pressed: true }));
    expect(onCue).toHaveBeenLastCalledWith('windy', 'no cue');
    await userEvent.click(screen.getByRole('button', { name: 'Take it off' }));
    expect(onCue).toHaveBeenLastCalledWith('fast', 'no cue');
  });
});

describe('the chosen day', () => {
  it('says how it was, how far off what was said was, and what was worn', () => {
    const d = entry(0, {
      day: aDay({
        was: 'too cold',
        worst: { part: 'hands', word: 'cold' },
        cameWet: true,
        baseG: 12,
        note: 'Stood about.',
      }),
    });
    render(<DayPanel d={d} garments={garments} units="metric" />);
    const text = document.body.textContent!;
    expect(text).toContain('too cold, hands cold; came home wet');
    expect(text).toContain('−2.0 of a word, outside the 8 in 10; 0.1 after learning');
    expect(text).toContain('12 g in the piece on the skin');
    expect(text).toContain('“Stood about.”');
    expect(screen.getByRole('link', { name: 'Open the day' }).getAttribute('href')).toBe('/outing/d0/after');
  });
});

describe('the winter as a drawing', () => {
  const days = Array.from({ length: 9 }, (_, i) => entry(i));
  it('has a button a day with all it says in words, one of them in the way of Tab; a double click opens', async () => {
    const [onChoose, onOpen] = [jest.fn(), jest.fn()];
    render(
      <SeasonChart
        days={days}
        shown={new Set(['d2'])}
        chosen="d2"
        onChoose={onChoose}
        onOpen={onOpen}
        pointed={null}
        onPoint={() => {}}
        onStretch={() => {}}
        units="metric"
      />,
    );
    const marks = screen.getAllByRole('button');
    expect(marks).toHaveLength(9);
    expect(marks.filter((m) => m.getAttribute('tabindex') === '0')).toHaveLength(1);
    expect(marks[2].getAttribute('aria-pressed')).toBe('true');
    expect(marks[0].getAttribute('aria-label')).toBe('Day 0, 3 November 2025, felt −9°, right');
    await userEvent.dblClick(marks[3]);
    expect(onChoose).toHaveBeenCalledWith('d3');
    expect(onOpen).toHaveBeenCalledWith('d3');
    expect(screen.getByText('4 of 9 inside')).toBeTruthy();
  });
  it('days stand in their order with room for each, from one end to the other', () => {
    const xs = places(days, 600);
    expect(xs[0]).toBe(44);
    expect(xs[8]).toBeCloseTo(582, 6);
    for (let i = 1; i < 9; i++) expect(xs[i] - xs[i - 1]).toBeGreaterThanOrEqual(21 - 1e-9);
  });
  it('its scale has round numbers of either system', () => {
    expect(feelsTicks(-22, 6, 'metric').every((t) => t % 5 === 0)).toBe(true);
    for (const t of feelsTicks(-22, 6, 'imperial')) expect(cToFahrenheit(t) % 10).toBeCloseTo(0, 6);
  });
  it('a day is a disc, a house or a shield with its way of going, and a drop where it came home wet', () => {
    const paths = (was: 'right' | 'too warm' | 'too cold' | null, cameWet: boolean) => {
      const { container } = render(
        <svg>
          <DayMark day={{ sport: 'run', was, cameWet }} />
        </svg>,
      );
      return [...container.querySelectorAll('path')].map((p) => p.getAttribute('d'));
    };
    const [right, warm, cold] = [paths('right', false), paths('too warm', false), paths('too cold', false)];
    expect(new Set([right[0], warm[0], cold[0]]).size).toBe(3);
    expect(paths('right', true)).toHaveLength(right.length + 1);
    expect(goingOf('classic ski')).toBe('ski');
    expect(goingOf('snowshoe')).toBe('foot');
  });
});

describe('what came along', () => {
  it('has a row a piece, most worn first, with days, hours to dry and money a day', async () => {
    const onPick = jest.fn();
    render(
      <WearMatrix
        days={Array.from({ length: 4 }, (_, i) => entry(i))}
        shown={new Set()}
        chosen={null}
        pointed={null}
        pieces={[
          { garment: { ...puffy, price: 180 }, dryMin: Infinity },
          { garment: { ...shell, price: 90 }, dryMin: 90 },
        ]}
        picked={new Set([shell.id])}
        onPick={onPick}
        most={null}
      />,
    );
    const names = screen.getAllByRole('button').map((b) => b.textContent);
    expect(names).toEqual([shell.name, puffy.name]);
    const text = document.body.textContent!;
    expect(text).toContain('41.522.5');
    expect(text).toContain('0days–');
    await userEvent.click(within(document.body).getByRole('button', { name: puffy.name }));
    expect(onPick).toHaveBeenCalledWith(puffy.id);
  });
});

it('a curve that is known better is narrower and higher, on the same axis', () => {
  const sure = nothingLearned();
  sure.mean[0] = 0.2;
  sure.covariance[0][0] = 0.0025;
  render(<Curves before={nothingLearned()} after={sure} p="sweat" />);
  const [full, dashed] = [...document.querySelectorAll('svg path')].map((p) => p.getAttribute('d')!);
  const highest = (d: string) => Math.min(...[...d.matchAll(/,(-?[\d.]+)/g)].map((m) => Number(m[1])));
  expect(highest(full)).toBeLessThan(highest(dashed));
});
