'use client';
import { useMutation } from '@tanstack/react-query';
import { Bookmark, X } from 'lucide-react';
import { useState } from 'react';
import type { KeptSpoken } from '@/store/lines';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';
import { useToasts } from '@/ui/toasts';

const focusOnce = (el: HTMLInputElement | null) => el?.focus();

/** Lines one tap away: those kept under a name, and the last few; with the weather of now. */
export function Regulars({
  first,
  line,
  onTake,
}: {
  first: KeptSpoken[];
  line: string;
  onTake: (line: string) => void;
}) {
  const [lines, setLines] = useState(first);
  const [naming, setNaming] = useState<string | null>(null);
  const say = useToasts((s) => s.say);
  const taken = (a: { lines: KeptSpoken[] }) => setLines(a.lines);
  const keep = useMutation({
    mutationFn: (name: string) => request<{ lines: KeptSpoken[] }>('POST', '/api/lines', { line, name }),
    onSuccess: (a) => {
      taken(a);
      setNaming(null);
    },
  });
  const again = useMutation({
    mutationFn: (l: KeptSpoken) =>
      request<{ lines: KeptSpoken[] }>('POST', '/api/lines', { line: l.line, ...(l.name ? { name: l.name } : {}) }),
    onSuccess: taken,
  });
  const forget = useMutation({
    mutationFn: (l: KeptSpoken) => request<{ lines: KeptSpoken[] }>('DELETE', `/api/lines/${l.id}`),
    onSuccess: (a, l) => {
      taken(a);
      say(`“${l.name ?? l.line}” is forgotten.`, () => again.mutate(l));
    },
  });
  const error = keep.error ?? forget.error ?? again.error;
  const shown = [...lines.filter((l) => l.name !== null), ...lines.filter((l) => l.name === null && l.line !== line)];
  return (
    <div className="no-print mt-1 flex flex-wrap items-center gap-1.5 text-[12.5px]">
      {shown.map((l) => (
        <span
          key={l.id}
          className={`inline-flex max-w-full items-stretch border ${l.name ? 'border-ink' : 'border-grid-2'} bg-sheet`}
        >
          <button
            type="button"
            title={l.line}
            onClick={() => onTake(l.line)}
            className="max-w-[210px] min-h-[24px] cursor-pointer truncate px-2 hover:bg-worn"
          >
            {l.name ? <b>{l.name}</b> : l.line}
          </button>
          <button
            type="button"
            aria-label={`Forget ${l.name ?? l.line}`}
            onClick={() => forget.mutate(l)}
            className="flex min-w-[24px] cursor-pointer items-center justify-center text-ink-3 hover:bg-worn hover:text-ink"
          >
            <X size={12} aria-hidden="true" />
          </button>
        </span>
      ))}
      {naming === null ? (
        <Button kind="quiet" size="small" disabled={line.trim() === ''} onClick={() => setNaming('')}>
          <Bookmark size={13} aria-hidden="true" /> Keep it
        </Button>
      ) : (
        <form
          className="flex items-center gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            if (naming.trim() !== '') keep.mutate(naming.trim());
          }}
        >
          <input
            ref={focusOnce}
            aria-label="Name of this line"
            placeholder="Tuesday run"
            maxLength={60}
            value={naming}
            onChange={(e) => setNaming(e.target.value)}
            className="w-36 rounded-[3px] border border-ink bg-sheet px-1.5 py-1"
          />
          <Button size="small" type="submit" disabled={keep.isPending || naming.trim() === ''}>
            Keep
          </Button>
          <Button size="small" kind="quiet" onClick={() => setNaming(null)}>
            No
          </Button>
        </form>
      )}
      {error && <Problems problems={problemsOf(error)} title="Not done." />}
    </div>
  );
}
