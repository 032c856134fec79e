'use client';
import { Sheet } from './Sheet';

/** The keys of a screen, from the table that is listened to. */
export function KeysSheet({
  rows,
  open,
  onOpen,
}: {
  rows: readonly { shown: string; says: string }[];
  open: boolean;
  onOpen: (open: boolean) => void;
}) {
  return (
    <Sheet open={open} onOpen={onOpen} title="Keys" width={440}>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {rows.map(({ shown, says }) => (
          <div key={shown} className="contents">
            <dt className="font-semibold">{shown}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
