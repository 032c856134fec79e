'use client';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import type { EChartProps } from './EChart';

const EChart = dynamic(() => import('./EChart'), { ssr: false });

/** A plain chart, loaded when it is first shown, with the table behind it. */
export function Chart({ table, ...rest }: EChartProps & { table: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <figure className="m-0">
      <div style={{ minHeight: rest.height }}>
        <EChart {...rest} />
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
