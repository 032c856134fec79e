import { RULES } from '@/core/judge/findings';
import { ALARM, LIMIT, WEAK } from '@/core/judge/limits';
import { PRICE } from '@/core/judge/prices';
import { airRows } from './checkRows/air';
import { bodyRows } from './checkRows/body';
import { clothingRows } from './checkRows/clothing';
import { effortRows } from './checkRows/effort';
import type { CheckRow } from './checkRows/row';
import { waterRows } from './checkRows/water';

/** Every row, computed now. */
export const checkRows = (): CheckRow[] => [
  ...airRows(),
  ...effortRows(),
  ...bodyRows(),
  ...clothingRows(),
  ...waterRows(),
];

const figure = (v: number) => (Math.abs(v) >= 1000 ? v.toFixed(0) : v.toPrecision(4));

/** The table as Markdown, for docs/model.md. */
export function checkTable(): string {
  const lines = checkRows().map((r) => {
    const difference = r.ours - r.theirs;
    const said = r.absolute
      ? `${difference >= 0 ? '+' : '−'}${figure(Math.abs(difference))}`
      : `${difference >= 0 ? '+' : '−'}${Math.abs((100 * difference) / r.theirs).toFixed(1)} %`;
    const allowed = r.absolute ? `±${r.tolerance}` : `±${(100 * r.tolerance).toFixed(r.tolerance < 0.001 ? 2 : 0)} %`;
    return `| ${r.quantity} | ${r.source} | ${figure(r.theirs)} ${r.unit} | ${figure(r.ours)} ${r.unit} | ${said} | ${allowed} |`;
  });
  return ['| quantity | source | theirs | ours | difference | allowed |', '|---|---|---|---|---|---|', ...lines].join(
    '\n',
  );
}

/** The tables of limits and prices as Markdown, for docs/model.md. */
export function limitTable(): string {
  const rows = (name: string, table: Readonly<Record<string, number>>) =>
    Object.entries(table).map(([key, v]) => `| ${name} | ${key} | ${Number(v.toPrecision(6))} |`);
  const steps = RULES.flatMap((r) =>
    r.steps.map((s) => {
      const grave = ['', 'note', 'weak point', 'alarm'][s.severity];
      return `| ${s.kind ?? r.kind} | ${r.bad} ${s.limit} ${r.unit} | ${grave} | ${s.means} |`;
    }),
  );
  return [
    '| finding | from | is a | means |',
    '|---|---|---|---|',
    ...steps,
    '',
    '| table | name | value |',
    '|---|---|---|',
    ...rows('LIMIT', LIMIT),
    ...rows('ALARM', ALARM),
    ...rows('WEAK', WEAK),
    ...rows('PRICE, points', PRICE),
  ].join('\n');
}
