'use client';
import type { Door } from '@/features/front/state/useDoor';
import { timeOfDay } from '@/formats/dates';
import type { Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';
import { Button } from '@/ui/Button';
import { Danger } from '@/ui/Danger';
import { noneSaid, oftenSaid } from './oftenSaid';

/** Headline, what stands below it, what to do next, and how sure it is. */
export function Headline({
  door,
  units,
  onLay,
  onPrint,
  laying,
}: {
  door: Door;
  units: Units;
  onLay: () => void;
  onPrint: () => void;
  laying: boolean;
}) {
  const { verdict, told, judged } = door;
  const answer = told.answer;
  if (!verdict || !answer) return <p className="speak mt-2 text-[26px] font-semibold">Trying on what you own…</p>;
  const likely = told.chances ? oftenSaid(told.chances) : [];
  const advice = told.advice;
  return (
    <div>
      <h1
        className={`speak text-[28px] leading-[1.12] font-semibold max-[500px]:text-[25px] ${verdict.tone === 'fails' ? 'text-act' : ''}`}
      >
        {verdict.tone !== 'holds' && <Danger />}
        {verdict.lead}
      </h1>
      <p className="speak mt-1 text-[15.5px] leading-snug">{verdict.rest}</p>
      {judged && judged.findings.some((f) => f.severity >= 2) && advice && advice.go !== 'go' && (
        <p className="mt-0.5 text-[13px]">
          <b className="text-act">
            {advice.go === 'go shorter'
              ? `Go shorter: back within ${advice.minutes} min.`
              : advice.go === 'not today'
                ? 'Not today.'
                : 'Go with care.'}
          </b>{' '}
          {fillSlots(advice.reason, units)}
          {advice.nextStartMs !== undefined && ` Next good start: ${timeOfDay(advice.nextStartMs)}.`}
        </p>
      )}
      <div className="no-print mt-2 flex flex-wrap items-center gap-2">
        <Button kind="act" onClick={onLay} disabled={laying || !door.layable}>
          Lay it out as a score <kbd>Enter</kbd>
        </Button>
        <Button onClick={onPrint}>Print</Button>
        <p className="ml-auto min-w-[150px] text-right text-[12.5px] leading-tight">
          {!told.chances ? (
            <span className="text-ink-3">{door.layable ? 'counting the chances' : 'rough, still looking'}</span>
          ) : likely.length === 0 ? (
            noneSaid(told.chances)
          ) : (
            likely.map((c) => (
              <span key={c.kind} className="block">
                <b className={c.kind === 'unsafe' ? 'text-act' : ''}>{c.often}</b> {c.what}
              </span>
            ))
          )}
        </p>
      </div>
    </div>
  );
}
