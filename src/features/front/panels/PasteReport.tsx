'use client';
import { useState } from 'react';
import type { Pasted } from '@/formats/pasted';
import { Refused, type Problem } from '@/formats/problem';
import { Button } from '@/ui/Button';
import { Problems } from '@/ui/Problems';

/** A pasted METAR, TAF or forecast instead of what the station says. @param onRead reads it, or refuses it with its reasons */
export function PasteReport({
  pasted,
  onRead,
  onDrop,
}: {
  pasted: Pasted | null;
  onRead: (text: string) => void;
  onDrop: () => void;
}) {
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<Problem[]>([]);
  const use = () => {
    try {
      onRead(text);
      setProblems([]);
      setText('');
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      setProblems(e.problems);
    }
  };
  return (
    <details className="mt-1.5 text-[12.5px]">
      <summary className="cursor-pointer text-ink-2">
        {pasted
          ? pasted.kind === 'forecast'
            ? `Weather from your forecast, ${pasted.hours.length} hours`
            : `Weather from the pasted ${pasted.kind} of ${pasted.station}`
          : 'Paste a METAR, a TAF or a forecast instead'}
      </summary>
      {pasted && (
        <p className="mt-1">
          {pasted.notRead.length > 0 && (
            <>
              Not read: <b className="text-act">{pasted.notRead.join(' ')}</b>.{' '}
            </>
          )}
          {pasted.taken.length > 0 && `Taken from the station or guessed: ${pasted.taken.join(', ')}. `}
          <button type="button" className="min-h-[24px] cursor-pointer underline" onClick={onDrop}>
            Back to the station
          </button>
        </p>
      )}
      <Problems problems={problems} title="Not taken." />
      <textarea
        value={text}
        onChange={(e) => setText(e.target.value)}
        aria-label="METAR, TAF or forecast as CSV"
        rows={3}
        placeholder="METAR XXXX 120650Z 24015G28KT 4000 -SN OVC012 M06/M08 Q1008"
        className="mt-1 w-full border border-ink bg-sheet px-2 py-1 text-[12.5px]"
      />
      <Button size="small" disabled={text.trim() === ''} onClick={use}>
        Use it
      </Button>
    </details>
  );
}
