'use client';
import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { DOOR_HUMIDITY } from '@/core/outing/doorDay';
import type { Aviation } from '@/formats/aviation';
import type { HomeLine } from '@/features/home/lines';
import { Header } from '@/features/shell/Header';
import { clock, day as dayWords, timeOfDay } from '@/formats/dates';
import { temperature, type Units } from '@/formats/measures';
import type { KeptSpoken } from '@/store/lines';
import type { Untold } from '@/store/told';
import type { Heard } from '@/store/weather';
import { problemsOf, request } from '@/ui/api';
import { Patterns } from '@/ui/draw/Patterns';
import { KeysSheet } from '@/ui/KeysSheet';
import { Problems } from '@/ui/Problems';
import { FRONT_KEYS } from './keys';
import { Beside3, Cautions, Headline, LineNotes, Needs, Pocket } from './panels/Answer';
import { HowWasIt, Next, RungNote, StillDamp } from './panels/Around';
import { Chips, windWords } from './panels/Chips';
import { ColdOrWind } from './panels/ColdOrWind';
import { Efforts } from './panels/Efforts';
import { Hours } from './panels/Hours';
import { LineBox } from './panels/LineBox';
import { PasteReport } from './panels/PasteReport';
import { Regulars } from './panels/Regulars';
import { Scales } from './panels/Scales';
import { StartIn } from './panels/StartIn';
import { Way } from './panels/Way';
import { withReport } from './state/dayNow';
import { useDoor, type Door, type DoorProps } from './state/useDoor';
import { useFrontKeys } from './useFrontKeys';

export interface FrontProps extends DoorProps {
  lines: KeptSpoken[];
  next: HomeLine[];
  more: number;
  dampPieces: { name: string; minutes: number; dampGm2: number }[];
  untold: Untold | null;
}

/** The front door: a line of what one is about to do and how it is outside, and the answer to it. */
export function FrontView(props: FrontProps) {
  const { units, nowMs } = props;
  const [pasted, setPasted] = useState<Aviation | null>(null);
  const heard = useMemo(() => withReport(props.heard, pasted, nowMs), [props.heard, pasted, nowMs]);
  const door = useDoor({ ...props, heard });
  const { spoken, told } = door;
  const chips = useRef(new Map<string, HTMLElement>());
  const input = useRef<HTMLInputElement>(null);
  const [cue, setCue] = useState<number | null>(null);
  const [help, setHelp] = useState(false);
  const router = useRouter();
  const answer = told.answer;

  const lay = useMutation({
    mutationFn: async () => {
      if (!answer || answer.how === 'at once') return;
      const { profile: _none, ...outing } = answer.outing;
      await request('POST', '/api/lines', { line: spoken.text.trim() || 'run' });
      const made = await request<{ id: string }>('POST', '/api/outings/laid', {
        outing: { ...outing, name: nameOf(door) },
        plan: answer.plan,
      });
      router.push(`/outing/${made.id}/score`);
    },
  });
  const onLay = () => {
    if (!lay.isPending && answer && answer.how !== 'at once') lay.mutate();
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

  const stale = door.state === 'working' && answer?.how === 'at once' ? 'opacity-60' : '';
  const said = spoken.said.length;
  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <Patterns />
      </svg>
      <Header screen="home" right={<NowAndHere heard={heard} nowMs={nowMs} units={units} />} />
      <main className="mx-4 grid grid-cols-[minmax(0,1fr)_384px] gap-x-8 pt-2 pb-4 max-[1060px]:grid-cols-1 print:grid-cols-1">
        <div className="min-w-0">
          <div className="no-print">
            <div className="relative">
              <LineBox
                spoken={spoken}
                chips={chips}
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
            <Chips door={door} units={units} chips={chips} />
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
              <ColdOrWind timeline={door.timeline} units={units} />
              <Efforts door={door} units={units} />
            </div>
            <div className="min-w-0">
              <div
                className={`h-[3px] ${door.state === 'working' ? 'animate-pulse bg-act' : 'bg-transparent'}`}
                role="status"
                aria-label={door.state === 'working' ? 'Looking' : undefined}
              />
              <Headline door={door} units={units} onLay={onLay} onPrint={onPrint} laying={lay.isPending} />
              {answer && (
                <div className={stale}>
                  <StartIn
                    scored={answer.scored}
                    plan={answer.plan}
                    garments={door.garments}
                    airC={door.day.airC}
                    units={units}
                  />
                  <Pocket door={door} units={units} />
                  <Needs door={door} />
                  <Way answer={answer} stale="" cueAt={cue} onCue={setCue} units={units} />
                  <Beside3 door={door} units={units} />
                  <Cautions door={door} />
                </div>
              )}
            </div>
          </div>
        </div>
        <aside className="no-print min-w-0 border-l border-grid-2 pl-4 max-[1060px]:mt-4 max-[1060px]:border-t max-[1060px]:border-l-0 max-[1060px]:pt-2 max-[1060px]:pl-0">
          <Hours door={door} hours={door.hours} heard={heard} units={units} />
          <PasteReport
            pasted={pasted}
            onDrop={() => setPasted(null)}
            onRead={async (text) => {
              const { readAviation } = await import('@/formats/aviation');
              const { airC } = door.unsaid.day;
              const station = props.heard?.weather;
              setPasted(
                readAviation(text, {
                  nowMs,
                  utcOffsetMin: station?.station.utcOffsetMin ?? 0,
                  airC,
                  humidity: station?.now.humidity ?? DOOR_HUMIDITY.dry,
                }),
              );
            }}
          />
          <Next lines={props.next} more={props.more} units={units} />
          <StillDamp damp={props.dampPieces} nowMs={nowMs} units={units} />
          <HowWasIt untold={props.untold} />
          <RungNote door={door} units={units} />
          <p className="mt-2.5 flex flex-wrap gap-x-3 gap-y-1 border-t border-grid-2 pt-1.5 text-[12px] text-ink-2 max-[760px]:hidden">
            {KEYS_SHOWN.map(([shown, says]) => (
              <span key={says}>
                <kbd className="ml-0">{shown}</kbd> {says}
              </span>
            ))}
            <button type="button" className="cursor-pointer underline" onClick={() => setHelp(true)}>
              all keys
            </button>
          </p>
        </aside>
      </main>
      <KeysSheet rows={FRONT_KEYS} open={help} onOpen={setHelp} />
    </>
  );
}

const KEYS_SHOWN = [
  ['/', 'type'],
  ['← →', 'air'],
  ['↑ ↓', 'wind'],
  ['E', 'effort'],
  ['W', 'wet'],
  ['?', 'list'],
] as const;

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
