'use client';
import { Sheet } from '@/ui/Sheet';
import { SCORE_HANDS, SCORE_KEYS } from '@/features/score/keys';

/** The keys, from the table that is listened to. */
export function KeysSheet({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  return (
    <Sheet open={open} onOpen={onOpen} title="Keys" width={440}>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {[...SCORE_KEYS, ...SCORE_HANDS].map(({ shown, says }) => (
          <div key={shown} className="contents">
            <dt className="font-semibold">{shown}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
