'use client';
import { useMutation } from '@tanstack/react-query';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Tried } from '@/core/afterwards/tried';
import type { DoorAnswer } from '@/core/search/answer';
import type { Pasted } from '@/formats/pasted';
import type { HomeLine } from '@/features/home/lines';
import { Header } from '@/features/shell/Header';
import { clock, day as dayWords, timeOfDay } from '@/formats/dates';
import { temperature, type Units } from '@/formats/measures';
import type { KeptSpoken } from '@/store/lines';
import type { Untold } from '@/store/told';
import type { Heard } from '@/store/weather';
import { problemsOf, request } from '@/ui/api';
import { Patterns } from '@/ui/draw/Patterns';
import { Problems } from '@/ui/Problems';
import { windWords } from './panels/words';
import { Headline } from './panels/Headline';
import { LineBox } from './panels/LineBox';
import { LineNotes } from './panels/LineNotes';
import { withReport } from './state/dayNow';
import { useDoor, type Door, type DoorProps } from './state/useDoor';
import { useFrontKeys } from './useFrontKeys';

export interface FrontProps extends DoorProps {
  lines: KeptSpoken[];
  next: HomeLine[];
  more: number;
  dampPieces: { name: string; minutes: number; dampGm2: number }[];
  untold: Untold | null;
  /** logged days, and how many outings the athlete is known by */
  tried: Tried[];
  learned: number;
  /** causes in the book that were made a cue of */
  winterCues: string[];
}

// What is drawn when the answer is there, or below it, comes after the line and the scales can be used.
const Chips = dynamic(() => import('./panels/Chips').then((m) => m.Chips), {
  ssr: false,
  loading: () => <div className="min-h-[36px]" />,
});
const Scales = dynamic(() => import('./panels/Scales').then((m) => m.Scales), {
  ssr: false,
  loading: () => <div className="min-h-[380px]" />,
});
const AnswerBody = dynamic(() => import('./AnswerBody').then((m) => m.AnswerBody), { ssr: false });
const Aside = dynamic(() => import('./Aside').then((m) => m.Aside), { ssr: false });
const UnderScales = dynamic(() => import('./UnderScales').then((m) => m.UnderScales), { ssr: false });
const Regulars = dynamic(() => import('./panels/Regulars').then((m) => m.Regulars), { ssr: false });
const FrontKeysSheet = dynamic(() => import('./FrontKeysSheet').then((m) => m.FrontKeysSheet), { ssr: false });

/** The front door: a line of what one is about to do and how it is outside, and the answer to it. */
export function FrontView(props: FrontProps) {
  const { units, nowMs } = props;
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const heard = useMemo(() => withReport(props.heard, pasted, nowMs), [props.heard, pasted, nowMs]);
  const door = useDoor({ ...props, heard });
  const { spoken, told } = door;
  const chips = useRef(new Map<string, HTMLElement>());
  const input = useRef<HTMLInputElement>(null);
  const [cue, setCue] = useState<number | null>(null);
  const [help, setHelp] = useState(false);
  const [shown, setShown] = useState(0);
  const onShown = useCallback(() => setShown((n) => n + 1), []);
  const router = useRouter();
  const answer = told.answer;

  // What is laid out is handed over with the press: a function kept from an older drawing of the page would know an older answer.
  const lay = useMutation({
    mutationFn: async ({ line, name, answer }: { line: string; name: string; answer: DoorAnswer }) => {
      const { profile: _none, ...outing } = answer.outing;
      await request('POST', '/api/lines', { line });
      const made = await request<{ id: string }>('POST', '/api/outings/laid', {
        outing: { ...outing, name },
        plan: answer.plan,
      });
      router.push(`/outing/${made.id}/score`);
    },
  });
  const onLay = () => {
    if (lay.isPending || !answer || !door.layable) return;
    lay.mutate({ line: spoken.text.trim() || 'run', name: nameOf(door), answer });
  };
  const onPrint = () => window.print();
  useFrontKeys(door, { input, cue, onCue: setCue, onLay, onPrint, onHelp: () => setHelp(true) });

  // With a mouse the caret stands in the line at once; on a phone a keyboard would cover the answer.
  const first = useRef(true);
  useEffect(() => {
    if (!first.current) return;
    first.current = false;
    if (spoken.text === '' && window.matchMedia('(pointer: fine)').matches) input.current?.focus();
  }, [spoken.text]);

  const said = spoken.said.length;
  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <Patterns />
      </svg>
      <Header screen="home" right={<NowAndHere heard={heard} nowMs={nowMs} units={units} />} />
      <main
        data-how={answer?.how}
        data-air={answer?.timeline.stretches[0].airC}
        className="mx-4 grid grid-cols-[minmax(0,1fr)_384px] gap-x-8 pt-2 pb-4 max-[1060px]:grid-cols-1 print:grid-cols-1"
      >
        <div className="min-w-0">
          <div className="no-print">
            <div className="relative">
              <LineBox
                spoken={spoken}
                chips={chips}
                shown={shown}
                input={input}
                onType={(text) => door.commit(text)}
                onEnter={() => input.current?.blur()}
              />
              <span
                className="pointer-events-none absolute top-3.5 right-3 bg-sheet pl-2 text-[12px] text-ink-2 max-[760px]:hidden"
                aria-live="polite"
              >
                {said} said, {spoken.guessed.length} guessed
              </span>
            </div>
            <Chips door={door} units={units} chips={chips} onShown={onShown} />
            <LineNotes
              door={door}
              onWord={(from, to, word) => door.commit(spoken.text.slice(0, from) + word + spoken.text.slice(to))}
            />
            <Regulars first={props.lines} line={spoken.text.trim()} onTake={(line) => door.commit(line)} />
          </div>
          <p className="speak hidden text-[17px] print:block">
            {spoken.text || 'As it is now'} ({dayWords(door.day.startMs)}, {timeOfDay(door.day.startMs)})
          </p>
          {door.problem && (
            <Problems
              problems={[{ where: 'The answer', field: 'it', value: 'not found', allowed: door.problem }]}
              title="This cannot be answered."
            />
          )}
          {lay.error && <Problems problems={problemsOf(lay.error)} title="Not laid out. Nothing was stored." />}
          <div className="mt-2 grid grid-cols-[286px_minmax(0,1fr)] gap-x-5 max-[760px]:grid-cols-1 print:grid-cols-1">
            <div className="no-print max-[760px]:order-2 max-[760px]:mt-3">
              <Scales door={door} units={units} />
              <UnderScales door={door} units={units} />
            </div>
            <div className="min-w-0">
              <div
                className={`h-[3px] ${door.state === 'working' ? 'animate-pulse bg-act' : 'bg-transparent'}`}
                role="status"
                aria-label={door.state === 'working' ? 'Looking' : undefined}
              />
              <Headline door={door} units={units} onLay={onLay} onPrint={onPrint} laying={lay.isPending} />
              {answer && (
                <div>
                  <AnswerBody
                    door={door}
                    answer={answer}
                    cue={cue}
                    onCue={setCue}
                    winterCues={props.winterCues}
                    units={units}
                  />
                </div>
              )}
            </div>
          </div>
        </div>
        <aside className="no-print min-w-0 border-l border-grid-2 pl-4 max-[1060px]:mt-4 max-[1060px]:border-t max-[1060px]:border-l-0 max-[1060px]:pt-2 max-[1060px]:pl-0">
          <Aside
            door={door}
            props={props}
            heard={heard}
            pasted={pasted}
            onPasted={setPasted}
            onHelp={() => setHelp(true)}
          />
        </aside>
      </main>
      {help && <FrontKeysSheet open onOpen={setHelp} />}
    </>
  );
}

/** The outing's name, from what was said. */
const nameOf = (door: Door): string =>
  `${door.day.sport[0].toUpperCase()}${door.day.sport.slice(1)}, ${clock(door.day.minutes * 60)} h, ${dayWords(door.day.startMs)}`;

/** Date, time, and what the station says, with its age. */
function NowAndHere({ heard, nowMs, units }: { heard: Heard | null; nowMs: number; units: Units }) {
  const age = heard ? Math.round((nowMs - heard.weather.issuedMs) / 60_000) : 0;
  return (
    <div className="text-right leading-tight">
      <b className="speak block text-[15px]">
        {dayWords(nowMs)}, {timeOfDay(nowMs)}
      </b>
      <span className="text-[12px] text-ink-2">
        {heard ? (
          <>
            {heard.weather.station.name}
            {heard.simulated && ', simulated'}: {temperature(heard.weather.now.airC, units, 1)}, wind{' '}
            {windWords(heard.weather.now.wind, units)},{' '}
            {heard.weather.now.kind === 'none' ? 'dry' : heard.weather.now.kind}
            {heard.state === 'silent' ? (
              <b className="text-act">, silent for {age < 120 ? `${age} min` : `${Math.round(age / 60)} h`}</b>
            ) : (
              `, ${Math.max(0, age)} min ago`
            )}
          </>
        ) : (
          'no station was heard; dials only'
        )}
      </span>
    </div>
  );
}
