'use client';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/Button';

/** The server is asked this often whether it is back, ms; and a page is not loaded by itself again sooner than this, ms. */
const ASK_MS = 1500;
const NOT_SOONER_MS = 20_000;
const LAST = 'ember loaded again';

/** Whether the server and its database answer. */
const isBack = async (): Promise<boolean> =>
  ((await (await fetch('/api/health')).json()) as { ok: boolean }).ok === true;

/** A screen that could not be made: most often the server or its database is just being started again, and it comes by itself. */
export default function ErrorPage({ error }: { error: Error & { digest?: string } }) {
  const [waits, setWaits] = useState(true);
  useEffect(() => {
    const timer = setInterval(() => {
      isBack().then(
        (back) => {
          if (!back) return;
          clearInterval(timer);
          const last = Number(sessionStorage.getItem(LAST) ?? 0);
          // Loaded again a moment ago and failed again: that is no outage, and a person decides.
          if (Date.now() - last < NOT_SOONER_MS) return setWaits(false);
          sessionStorage.setItem(LAST, String(Date.now()));
          window.location.reload();
        },
        () => {},
      );
    }, ASK_MS);
    return () => clearInterval(timer);
  }, []);
  return (
    <main className="mx-4 mt-10">
      <h1 className="speak text-[28px] font-semibold">This screen could not be shown.</h1>
      <p className="mt-2 max-w-[60ch]">
        What was saved is safe, and what was not sent yet is kept on this machine.{' '}
        {waits
          ? 'The server may be starting again; the screen comes by itself when it answers.'
          : `The page’s program says: ${error.message}`}
      </p>
      {/* What failed to load is only asked for again by a new page. */}
      <Button kind="strong" className="mt-4" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </main>
  );
}
