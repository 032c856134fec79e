'use client';
import type { ReactNode } from 'react';
import { SAME_POINTS } from '@/core/judge/sameCost';
import type { Instead, Why } from '@/core/questions/whyThis';
import { type Units } from '@/formats/measures';
import { movedText } from '@/formats/sentences';

/** For each piece, what its next cooler and next warmer like would do. */
export function WhyTable({ list, units }: { list: readonly Why[]; units: Units }) {
  return (
    <table className="mt-1 w-full border-collapse text-left">
      <thead>
        <tr className="border-b border-ink text-[12px] text-ink-3">
          <th scope="col" className="py-0.5 font-medium">
            Piece
          </th>
          <th scope="col" className="font-medium">
            The next cooler
          </th>
          <th scope="col" className="font-medium">
            The next warmer
          </th>
        </tr>
      </thead>
      <tbody>
        {list.map((w) => (
          <tr key={w.garment} className="border-b border-grid align-baseline">
            <th scope="row" className="py-[3px] pr-3 font-semibold">
              {w.name}
            </th>
            <td className="pr-3">{instead(w.cooler, units)}</td>
            <td>{instead(w.warmer, units)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function instead(i: Instead | null, units: Units): ReactNode {
  if (!i) return <span className="text-ink-3">you own none that fits</span>;
  const points =
    Math.abs(i.adds) < SAME_POINTS
      ? 'hardly any difference'
      : `${i.adds > 0 ? '+' : '−'}${Math.abs(i.adds).toFixed(2)} points`;
  return (
    <>
      {i.name}: <b className={i.adds <= -SAME_POINTS ? 'text-act' : ''}>{points}</b>
      <span className="block text-[12px] text-ink-2">{movedText(i.moves, units)}</span>
    </>
  );
}
