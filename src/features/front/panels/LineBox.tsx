'use client';
import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { Spoken } from '@/formats/spokenLine';
import { MOST_LETTERS } from '@/formats/spokenLine';
import { C } from '@/ui/draw/palette';

/** A stretch of the line, and what it is. */
interface Piece {
  text: string;
  key: string | null;
  kind: 'said' | 'not understood' | 'plain';
}

/** The line cut where something was understood or not. */
function piecesOf({ text, said, notUnderstood }: Spoken): Piece[] {
  const marks = [
    ...said.map((s) => ({ from: s.from, to: s.to, key: s.key as string, kind: 'said' as const })),
    ...notUnderstood.map((n) => ({ from: n.from, to: n.to, key: null, kind: 'not understood' as const })),
  ].sort((a, b) => a.from - b.from);
  const out: Piece[] = [];
  let at = 0;
  for (const m of marks) {
    if (m.from > at) out.push({ text: text.slice(at, m.from), key: null, kind: 'plain' });
    out.push({ text: text.slice(m.from, m.to), key: m.key, kind: m.kind });
    at = m.to;
  }
  if (at < text.length) out.push({ text: text.slice(at), key: null, kind: 'plain' });
  return out;
}

const UNDER: Record<Piece['kind'], string> = {
  said: 'border-b-[1.5px] border-ink',
  'not understood': 'border-b-2 border-dashed border-act',
  plain: 'border-b-[1.5px] border-transparent',
};

/**
 * The typed sentence stays as it is written; under each word that was understood a line leads to its chip.
 * @param chips where the chips stand, by what they are of
 */
export function LineBox({
  spoken,
  onType,
  onEnter,
  chips,
  shown,
  input,
}: {
  spoken: Spoken;
  onType: (text: string) => void;
  onEnter: () => void;
  chips: RefObject<Map<string, HTMLElement>>;
  /** how often the chips have been put on the page: they come after it */
  shown: number;
  input: RefObject<HTMLInputElement | null>;
}) {
  const mirror = useRef<HTMLDivElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const [leads, setLeads] = useState<string[]>([]);
  const [scrolled, setScrolled] = useState(0);
  const pieces = piecesOf(spoken);

  useLayoutEffect(() => {
    const draw = () => {
      const from = box.current?.getBoundingClientRect();
      if (!from) return;
      const next: string[] = [];
      const first = new Set<string>();
      for (const el of mirror.current?.querySelectorAll<HTMLElement>('[data-key]') ?? []) {
        const key = el.dataset.key!;
        const chip = chips.current.get(key)?.getBoundingClientRect();
        const word = el.getBoundingClientRect();
        const x = word.left + word.width / 2 - from.left;
        // A chip on a second row has its leader left out: it would cross the first.
        if (!chip || first.has(key) || chip.top - from.bottom > 60 || x < 8 || x > from.width - 8) continue;
        first.add(key);
        const to = chip.left + chip.width / 2 - from.left;
        next.push(`M${x.toFixed(1)} 0v7L${to.toFixed(1)} 15v7`);
      }
      setLeads((old) => (old.join() === next.join() ? old : next));
    };
    draw();
    const watch = new ResizeObserver(draw);
    if (box.current) watch.observe(box.current);
    return () => watch.disconnect();
  }, [spoken, chips, shown, scrolled]);

  // What was typed before the page was at work is taken in as well: on a slow phone that is most of a line.
  const atFirst = useRef({ text: spoken.text, onType });
  useEffect(() => {
    const typed = input.current?.value;
    if (typed !== undefined && typed !== atFirst.current.text) atFirst.current.onType(typed);
  }, [input]);

  return (
    <div ref={box} className="relative">
      <div className="relative border-2 border-ink bg-sheet">
        <div
          ref={mirror}
          aria-hidden="true"
          className="speak pointer-events-none absolute inset-0 overflow-hidden px-4 py-2 text-[21px] leading-[1.3] whitespace-pre text-transparent max-[500px]:px-2.5 max-[500px]:text-[17px]"
        >
          <span className="inline-block" style={{ transform: `translateX(${-scrolled}px)` }}>
            {pieces.map((p, i) => (
              <span key={i} className={UNDER[p.kind]} data-key={p.key ?? undefined}>
                {p.text}
              </span>
            ))}
          </span>
        </div>
        <input
          ref={input}
          value={spoken.text}
          maxLength={MOST_LETTERS}
          onChange={(e) => onType(e.target.value)}
          onScroll={(e) => setScrolled(e.currentTarget.scrollLeft)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') onEnter();
            if (e.key === 'Escape') e.currentTarget.blur();
          }}
          aria-label="What you are about to do, and how it is outside"
          placeholder="run 50 min steady −6 wind 15 dry, traffic stops"
          autoComplete="off"
          autoCapitalize="none"
          spellCheck={false}
          enterKeyHint="done"
          className="speak relative w-full bg-transparent px-4 py-2 text-[21px] leading-[1.3] outline-offset-0 placeholder:text-ink-3 max-[500px]:px-2.5 max-[500px]:text-[17px]"
        />
      </div>
      <svg className="pointer-events-none block w-full max-[760px]:hidden" height="22" aria-hidden="true">
        {leads.map((d) => (
          <path key={d} d={d} fill="none" stroke={C.ink3} strokeWidth="0.9" />
        ))}
      </svg>
    </div>
  );
}
