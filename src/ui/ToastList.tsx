'use client';
import { X } from 'lucide-react';
import { Toast } from 'radix-ui';
import { useToasts } from './toasts';

/** Long enough to read it and to reach for Undo, ms. */
const STAYS_MS = 10_000;

/** The words about what was done, at the foot of the page. */
export function ToastList() {
  const { list, drop } = useToasts();
  return (
    <Toast.Provider duration={STAYS_MS} swipeDirection="right">
      {list.map((t) => (
        <Toast.Root
          key={t.id}
          onOpenChange={(open) => !open && drop(t.id)}
          className="flex items-center gap-3 border-2 border-ink bg-sheet px-3 py-2"
        >
          <Toast.Description className="min-w-0 flex-1">{t.says}</Toast.Description>
          {t.undo && (
            <Toast.Action altText="Undo" asChild>
              <button className="cursor-pointer font-semibold text-act underline" onClick={t.undo}>
                Undo
              </button>
            </Toast.Action>
          )}
          <Toast.Close aria-label="Close" className="cursor-pointer text-ink-2">
            <X size={15} aria-hidden="true" />
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="toasts no-print fixed bottom-4 left-4 z-50 flex w-[380px] max-w-[92vw] flex-col gap-2" />
    </Toast.Provider>
  );
}
