'use client';
import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { ReactNode } from 'react';
import { Hint } from './Hint';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic, alphanumeric: sortFn_alphanumeric },
});

/** A column: what it says, what it sorts by, and how a row's cell is drawn. */
export interface Column<T> {
  id: string;
  head: string;
  /** a second line of the head: the unit */
  unit?: string;
  /** what the head means, on hover and focus */
  says?: string;
  /** what rows are ordered by; left out: not by this column */
  by?: (row: T) => number | string;
  cell: (row: T, index: number) => ReactNode;
  align?: 'left' | 'right';
  width?: string;
}

/** Rows and columns; a head that sorts is a button, and says which way. */
export function DataTable<T extends object>({
  label,
  rows,
  columns,
  id,
  chosen,
  onChoose,
  dense = false,
}: {
  label: string;
  rows: readonly T[];
  columns: readonly Column<T>[];
  id: (row: T) => string;
  /** the row that is chosen */
  chosen?: string | null;
  onChoose?: (id: string) => void;
  dense?: boolean;
}) {
  const table = useTable({
    features,
    data: [...rows],
    getRowId: id,
    columns: columns.map((c): ColumnDef<typeof features, T> => ({
      id: c.id,
      accessorFn: (row) => c.by?.(row),
      enableSorting: c.by !== undefined,
      sortFn: 'basic',
      sortDescFirst: false,
    })),
  });
  const byId = new Map(columns.map((c) => [c.id, c]));
  return (
    <table aria-label={label} className="w-full border-collapse self-start">
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id} className="border-b-2 border-ink text-left">
            {group.headers.map((h) => {
              const c = byId.get(h.column.id)!;
              const sorted = h.column.getIsSorted();
              const words = (
                <>
                  {c.head}
                  {c.unit && <span className="block">{c.unit}</span>}
                </>
              );
              const head = c.by ? (
                <button
                  type="button"
                  className="inline-flex min-h-[24px] cursor-pointer items-end gap-0.5 text-left hover:text-ink"
                  onClick={h.column.getToggleSortingHandler()}
                >
                  <span className={c.align === 'right' ? 'text-right' : ''}>{words}</span>
                  {sorted === 'asc' && <ArrowUp size={12} aria-hidden="true" />}
                  {sorted === 'desc' && <ArrowDown size={12} aria-hidden="true" />}
                </button>
              ) : (
                <span>{words}</span>
              );
              return (
                <th
                  key={h.id}
                  scope="col"
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
                  className={`pr-2 pb-1 align-bottom text-[12px] leading-tight font-medium text-ink-3 ${c.align === 'right' ? 'text-right' : ''} ${c.width ?? ''}`}
                >
                  {c.says ? <Hint says={c.says}>{head}</Hint> : head}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row, index) => (
          <tr
            key={row.id}
            aria-selected={onChoose ? row.id === chosen : undefined}
            onClick={onChoose && (() => onChoose(row.id))}
            className={`border-b border-grid align-middle ${row.id === chosen ? 'bg-worn' : onChoose ? 'cursor-pointer hover:bg-sheet' : ''}`}
          >
            {row.getAllCells().map((cell) => {
              const c = byId.get(cell.column.id)!;
              return (
                <td
                  key={cell.id}
                  className={`pr-2 ${dense ? 'py-px' : 'py-[5px]'} ${c.align === 'right' ? 'text-right' : ''}`}
                >
                  {c.cell(row.original, index)}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
