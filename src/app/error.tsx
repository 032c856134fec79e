'use client';
import { Button } from '@/ui/Button';

export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  const isMissing = /chunk|fetch|load/i.test(error.message);
  return (
    <main className="mx-4 mt-10">
      <h1 className="speak text-[28px] font-semibold">This screen could not be shown.</h1>
      <p className="mt-2 max-w-[60ch]">
        What was saved is safe, and what was not sent yet is kept on this machine.{' '}
        {isMissing
          ? 'A part of the page could not be fetched: the server may be starting again.'
          : `The page’s program says: ${error.message}`}
      </p>
      {/* What failed to load is only asked for again by a new page. */}
      <Button kind="strong" className="mt-4" onClick={() => (isMissing ? window.location.reload() : reset())}>
        Try again
      </Button>
    </main>
  );
}
