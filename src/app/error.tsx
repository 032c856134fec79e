'use client';
import { Button } from '@/ui/Button';

export default function ErrorPage({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-4 mt-10">
      <h1 className="speak text-[28px] font-semibold">This screen could not be shown.</h1>
      <p className="mt-2 max-w-[60ch]">What was saved is safe. {error.message}</p>
      <Button kind="strong" className="mt-4" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
