'use client';
import { useEffect, useState, type ComponentType, type ReactNode } from 'react';
import type { EChartProps } from './EChart';

/** A part of the program that could not be fetched is asked for again this often, ms: the server may only be starting. */
const AGAIN_MS = 3000;
const MOST_TRIES = 10;

/** The charts' own program, fetched when the first is shown. A page without it is whole but for its charts. */
function useEChart(): { EChart: ComponentType<EChartProps> | null; failed: boolean } {
  const [EChart, setEChart] = useState<ComponentType<EChartProps> | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (EChart || tries > MOST_TRIES) return;
    let here = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    import('./EChart').then(
      (m) => here && setEChart(() => m.default),
      () => (timer = setTimeout(() => here && setTries((n) => n + 1), AGAIN_MS)),
    );
    return () => {
      here = false;
      clearTimeout(timer);
    };
  }, [EChart, tries]);
  return { EChart, failed: tries > MOST_TRIES };
}

/** A plain chart, loaded when it is first shown, with the table behind it. */
export function Chart({ table, ...rest }: EChartProps & { table: ReactNode }) {
  const [open, setOpen] = useState(false);
  const { EChart, failed } = useEChart();
  return (
    <figure className="m-0">
      <div style={{ minHeight: rest.height }}>
        {EChart && <EChart {...rest} />}
        {failed && <p className="text-ink-2">The chart could not be fetched. The table below says the same.</p>}
      </div>
      <details className="text-[12px]" onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary className="w-fit cursor-pointer py-1 text-ink-3">as a table</summary>
        {open && table}
      </details>
    </figure>
  );
}

/** Rows of words and numbers, for behind a chart. */
export function PlainTable({ head, rows }: { head: readonly string[]; rows: readonly (readonly ReactNode[])[] }) {
  return (
    <table className="mt-1 w-full border-collapse text-left">
      <thead>
        <tr className="border-b border-ink text-ink-3">
          {head.map((h) => (
            <th key={h} scope="col" className="py-0.5 pr-3 font-medium">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r, i) => (
          <tr key={i} className="border-b border-grid">
            {r.map((c, k) => (
              <td key={k} className="py-0.5 pr-3">
                {c}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
