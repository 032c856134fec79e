'use client';
import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { DOOR_SPORTS, type DoorSport } from '@/core/outing/doorDay';
import { SPORT } from '@/core/effort/sports';
import type { Wishes } from '@/core/search/wishes';
import { useDoor } from '@/features/front/state/useDoor';
import { StartIn } from '@/features/front/panels/StartIn';
import { Header } from '@/features/shell/Header';
import { SPORT_WORDS } from '@/formats/spokenWords';
import { temperature, type Units } from '@/formats/measures';
import type { Heard } from '@/store/weather';
import { problemsOf, request } from '@/ui/api';
import { Button } from '@/ui/Button';
import { Check } from '@/ui/Check';
import { Danger } from '@/ui/Danger';
import { ClothSwatch } from '@/ui/draw/ClothSwatch';
import { Patterns } from '@/ui/draw/Patterns';
import { Problems } from '@/ui/Problems';
import { Segments } from '@/ui/Segments';
import { ALWAYS, HALLWAY_PIECES, HANDS_WORDS, MOST_OWN, SHOES_FOR, WARMTH_WORDS } from './hallway';

/** The first visit: five questions on one page, none of which must be answered; the answer for this minute stands beside them. */
export function FirstRun({
  person: stored,
  wishes,
  heard,
  nowMs,
}: {
  person: Person;
  wishes: Wishes;
  heard: Heard | null;
  nowMs: number;
}) {
  const [sport, setSport] = useState<DoorSport>('run');
  const [warmth, setWarmth] = useState<(typeof WARMTH_WORDS)[number]['value']>('same');
  const [hands, setHands] = useState<(typeof HANDS_WORDS)[number]['value']>('usual');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set(MOST_OWN));
  const [units, setUnits] = useState<Units>('metric');
  const router = useRouter();
  const w = WARMTH_WORDS.find((x) => x.value === warmth)!;
  const h = HANDS_WORDS.find((x) => x.value === hands)!;
  const person = useMemo(
    () => ({ ...stored, warmth: w.warmthK, sweatGain: w.sweat, constriction: h.constriction }),
    [stored, w, h],
  );
  const pieces = useMemo(() => {
    const own = [...ticked];
    const shoes = SHOES_FOR[sport];
    return [...ALWAYS, ...own, ...(shoes && !ticked.has(shoes) ? [shoes] : [])];
  }, [ticked, sport]);
  const closet = useMemo(() => pieces.flatMap((id) => fromCatalogue(id) ?? []), [pieces]);
  const use = useMutation({
    mutationFn: () =>
      request('POST', '/api/first-run', {
        pieces,
        units,
        warmth: w.warmthK,
        sweatGain: w.sweat,
        constriction: h.constriction,
      }),
    onSuccess: () => router.refresh(),
  });
  return (
    <>
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <Patterns />
      </svg>
      <Header screen="home" />
      <main className="mx-4 grid grid-cols-[minmax(0,1fr)_410px] gap-x-8 pt-3 pb-6 max-[1000px]:grid-cols-1">
        <div>
          <h1 className="speak text-[26px] leading-tight">
            <b className="font-semibold">Five questions, any order.</b> Skip what you like: the answer stands already.
          </h1>
          <Question n={1} title="What do you do?">
            <Segments
              label="Sport"
              size="small"
              value={sport}
              onChange={setSport}
              options={DOOR_SPORTS.map((s) => ({ value: s, label: SPORT[s].label }))}
            />
          </Question>
          <div className="grid grid-cols-2 gap-x-8 max-[700px]:grid-cols-1">
            <Question n={2} title="Standing about, against your friends?">
              <Segments
                label="How warm you run"
                size="small"
                value={warmth}
                onChange={setWarmth}
                options={WARMTH_WORDS}
              />
            </Question>
            <Question n={3} title="Your fingers and toes in the cold?">
              <Segments label="Fingers and toes" size="small" value={hands} onChange={setHands} options={HANDS_WORDS} />
            </Question>
          </div>
          <Question
            n={4}
            title="What hangs in your hallway?"
            beside={`${ticked.size} of 24 ticked; names, weights and prices can wait`}
          >
            <div className="grid grid-cols-6 gap-2 max-[1200px]:grid-cols-3 max-[700px]:grid-cols-2">
              {HALLWAY_PIECES.map((group) => (
                <fieldset key={group.label} className="min-w-0">
                  <legend className="text-[12px] font-semibold">{group.label}</legend>
                  {group.ids.map((id) => {
                    const g = fromCatalogue(id)!;
                    const on = ticked.has(id);
                    return (
                      <div
                        key={id}
                        className={`mt-1 min-h-[44px] border bg-sheet px-1.5 py-1 ${on ? 'border-ink' : 'border-grid-2'}`}
                      >
                        <ClothSwatch {...g} width={70} />
                        <Check
                          checked={on}
                          onChange={() => {
                            const next = new Set(ticked);
                            if (!next.delete(id)) next.add(id);
                            setTicked(next);
                          }}
                        >
                          {g.name}
                        </Check>
                      </div>
                    );
                  })}
                </fieldset>
              ))}
            </div>
          </Question>
          <Question n={5} title="How shall I say it?">
            <Segments
              label="Numbers"
              size="small"
              value={units}
              onChange={setUnits}
              options={[
                { value: 'metric', label: '°C, km/h, g' },
                { value: 'imperial', label: '°F, mph, oz' },
              ]}
            />
          </Question>
          {use.error && <Problems problems={problemsOf(use.error)} title="Not stored." />}
          <div className="mt-4 flex flex-wrap items-center gap-3">
            <Button kind="act" size="large" disabled={use.isPending} onClick={() => use.mutate()}>
              Use it, go to the front door
            </Button>
            <span className="text-[12.5px] text-ink-2">
              Everything can be changed under Me and Closet. I am no doctor: with asthma, heart trouble, Raynaud’s or in
              pregnancy ask one before hard efforts in the cold.
            </span>
          </div>
        </div>
        <Answered key={units} {...{ person, closet, wishes, units, heard, nowMs, sport }} />
      </main>
    </>
  );
}

function Question({
  n,
  title,
  beside,
  children,
}: {
  n: number;
  title: string;
  beside?: string;
  children: React.ReactNode;
}) {
  return (
    <section className="mt-3 border-t-2 border-ink-3 pt-1.5" aria-label={title}>
      <div className="mb-1.5 flex items-baseline justify-between gap-3">
        <h2 className="flex items-center gap-2 font-semibold">
          <span className="inline-flex h-5 w-5 items-center justify-center rounded-full bg-ink text-[12px] text-sheet">
            {n}
          </span>
          {title}
        </h2>
        {beside && <span className="text-[12px] text-ink-2">{beside}</span>}
      </div>
      {children}
    </section>
  );
}

/** The answer of this minute for what is ticked, from the station's weather. */
function Answered({
  sport,
  ...p
}: {
  person: Person;
  closet: Garment[];
  wishes: Wishes;
  units: Units;
  heard: Heard | null;
  nowMs: number;
  sport: DoorSport;
}) {
  const said = SPORT_WORDS.find(([s]) => s === sport)![1][0];
  return <AnswerFor key={said} {...p} damp={NOTHING_DAMP} firstLine={said} ladder="none" />;
}
const NOTHING_DAMP = {};

function AnswerFor(p: Parameters<typeof useDoor>[0]) {
  const door = useDoor(p);
  const { verdict, told } = door;
  return (
    <aside
      className="border-l border-grid-2 pl-5 max-[1000px]:mt-5 max-[1000px]:border-l-0 max-[1000px]:pl-0"
      aria-live="polite"
    >
      <p className="text-[12.5px]">
        <b>This minute</b>, {door.spoken.text}, {Math.round(door.day.minutes)} min, at{' '}
        {temperature(door.day.airC, p.units)}
      </p>
      {door.problem ? (
        <p className="speak mt-1 text-[20px] font-semibold text-act">
          <Danger />
          Too little to go in: {door.problem}
        </p>
      ) : verdict && told.answer ? (
        <>
          <p
            className={`speak mt-1 text-[25px] leading-[1.12] font-semibold ${verdict.tone === 'fails' ? 'text-act' : ''}`}
          >
            {verdict.tone !== 'holds' && <Danger />}
            {verdict.lead}
          </p>
          <p className="speak mt-1 text-[14.5px] leading-snug">{verdict.rest}</p>
          <StartIn
            scored={told.answer.scored}
            plan={told.answer.plan}
            garments={door.garments}
            airC={door.day.airC}
            units={p.units}
            room="narrow"
          />
        </>
      ) : (
        <p className="speak mt-1 text-[20px] text-ink-2">Trying on what you ticked…</p>
      )}
    </aside>
  );
}
