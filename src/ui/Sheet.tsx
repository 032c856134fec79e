'use client';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** Something laid over the page until it is closed. */
export function Sheet({
  open,
  onOpen,
  title,
  width = 560,
  children,
}: {
  open: boolean;
  /** left out: it stays until what it asks is answered */
  onOpen?: (open: boolean) => void;
  title: string;
  width?: number;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/35" />
        <Dialog.Content
          className="fixed top-[8vh] left-1/2 z-50 max-h-[84vh] max-w-[94vw] -translate-x-1/2 overflow-auto border-2 border-ink bg-paper p-5"
          style={{ width }}
          aria-describedby={undefined}
        >
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="speak text-[21px] leading-tight font-semibold">{title}</Dialog.Title>
            {onOpen && (
              <Dialog.Close aria-label="Close" className="-mt-1 -mr-1 cursor-pointer p-1 text-ink-2 hover:text-ink">
                <X size={18} aria-hidden="true" />
              </Dialog.Close>
            )}
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
