'use client';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { Sheet } from '@/ui/Sheet';
import { useToasts } from '@/ui/toasts';
import { useRefresh } from '@/ui/useRefresh';

const SaveIt = ({ says }: { says: string }) => (
  <a
    href="/api/archive"
    download
    className="inline-flex items-center rounded-[3px] border border-ink px-3 py-1.5 text-[13px] font-semibold text-ink no-underline hover:bg-worn"
  >
    {says}
  </a>
);

/** Everything of the athlete as one file: out, and in again. */
export function Everything() {
  const refresh = useRefresh();
  const say = useToasts((t) => t.say);
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const done = () => {
    setFile(null);
    if (input.current) input.current.value = '';
  };
  const bring = useMutation({
    mutationFn: (f: File) =>
      request<{ outings: number; garments: number }>('PUT', '/api/archive', f, {
        headers: { 'content-type': 'application/zip' },
      }),
    onSuccess: ({ outings, garments }) => {
      say(`${garments} pieces and ${outings} outings are here again.`);
      refresh();
    },
    onSettled: done,
  });
  return (
    <section aria-label="Everything of yours" className="space-y-2">
      <h2 className="font-semibold text-ink">Everything of yours</h2>
      <p>
        What is known of you, the closet, every outing with its route, forecast and plans, as one file: open formats,
        JSON, GPX and CSV.
      </p>
      {bring.error && <Problems problems={problemsOf(bring.error)} title="Not taken in. Nothing was changed." />}
      <div className="flex flex-wrap gap-2">
        <SaveIt says="Save it as a file" />
        <Button onClick={() => input.current?.click()} disabled={bring.isPending}>
          {bring.isPending ? 'Reading…' : 'Bring a file in'}
        </Button>
        <input
          ref={input}
          type="file"
          accept=".zip,application/zip"
          className="sr-only"
          tabIndex={-1}
          aria-label="File of everything"
          onChange={(e) => setFile(e.target.files?.[0] ?? null)}
        />
      </div>
      <Sheet
        open={file !== null}
        onOpen={(open) => !open && done()}
        title="Put this file in the place of all that is here?"
      >
        <p className="mt-2 text-ink-2">
          Closet, outings, plans and what is known of you become what {file?.name} says. What is here now is gone after
          that: save it as a file first.
        </p>
        <div className="mt-4 flex flex-wrap gap-2">
          <Button kind="strong" onClick={() => file && bring.mutate(file)} disabled={bring.isPending}>
            Replace everything
          </Button>
          <SaveIt says="Save what is here first" />
          <Button onClick={done}>Leave all as it is</Button>
        </div>
      </Sheet>
    </section>
  );
}
