'use client';
// Longer than a file should be: a chip for each thing a line may say, in the order of the line.
import { ChevronDown } from 'lucide-react';
import { DropdownMenu, Popover } from 'radix-ui';
import { useEffect, type RefObject } from 'react';
import { DIM_DEG } from '@/core/judge/needs';
import { SPORT } from '@/core/effort/sports';
import {
  DOOR_RANGE,
  DOOR_SKIES,
  DOOR_SPORTS,
  fallsIn,
  USUAL_FALL_MMH,
  type DoorSky,
  type DoorStop,
  type DoorStopKind,
} from '@/core/outing/doorDay';
import { SHELTER_WORDS } from '@/formats/spokenWords';
import { clock, day as dayOf, timeOfDay } from '@/formats/dates';
import { fall, fallUnit, kilograms, temperature, type Units } from '@/formats/measures';
import type { DoorKey } from '@/formats/spokenLine';
import { Button } from '@/ui/Button';
import type { Door } from '@/features/front/state/useDoor';
import { effortWord, windWords } from './words';
import { ChipFrame, ChipText, NumberChip } from './Chip';

const STOP_SAYS: Record<DoorStopKind, string> = {
  lights: 'traffic lights',
  start: 'waiting at the start',
  wait: 'waiting, photos',
  lunch: 'lunch outdoors',
  hut: 'in a hut',
};
const USUAL_STOP: Record<DoorStopKind, DoorStop> = {
  lights: { kind: 'lights', times: 3, minutes: 1 },
  start: { kind: 'start', times: 1, minutes: 10 },
  wait: { kind: 'wait', times: 1, minutes: 5 },
  lunch: { kind: 'lunch', times: 1, minutes: 20 },
  hut: { kind: 'hut', times: 1, minutes: 30 },
};

const menu = 'z-50 border-2 border-ink bg-paper p-1';
const item = 'cursor-pointer px-2.5 py-1.5 outline-none data-[highlighted]:bg-worn data-[state=checked]:font-semibold';

/** What is usual for one of a few: a chip that opens a list. */
function ListChip<T extends string>({
  door,
  of,
  label,
  says,
  value,
  options,
  onTake,
  refTo,
}: {
  door: Door;
  of: DoorKey;
  label: string;
  says: string;
  value: T;
  options: readonly { value: T; label: string }[];
  onTake: (v: T) => void;
  refTo: (el: HTMLDivElement | null) => void;
}) {
  return (
    <DropdownMenu.Root>
      <ChipFrame label={label} how={howOf(door, of)} refTo={refTo}>
        <DropdownMenu.Trigger
          className="flex cursor-pointer items-end pl-1 hover:bg-worn"
          aria-label={`${label}: ${says}`}
        >
          <ChipText label={label} value={says} />
          <ChevronDown size={12} className="mx-1 mb-1.5" aria-hidden="true" />
        </DropdownMenu.Trigger>
      </ChipFrame>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={3} className={menu}>
          <DropdownMenu.RadioGroup value={value} onValueChange={(v) => onTake(v as T)}>
            {options.map((o) => (
              <DropdownMenu.RadioItem key={o.value} value={o.value} className={item}>
                {o.label}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

const howOf = (door: Door, key: DoorKey): 'said' | 'guessed' =>
  door.spoken.guessed.includes(key) ? 'guessed' : 'said';
/** Everything the line means, each to be changed by hand; the line is then written anew. */
export function Chips({
  door,
  units,
  chips,
  onShown,
}: {
  door: Door;
  units: Units;
  chips: RefObject<Map<string, HTMLElement>>;
  onShown: () => void;
}) {
  const { day } = door;
  useEffect(() => onShown(), [onShown]);
  const at = (key: DoorKey) => (el: HTMLElement | null) => {
    if (el) chips.current.set(key, el);
    else chips.current.delete(key);
  };
  const going = door.timeline?.stretches.find((s) => s.sport === day.sport);
  const falls =
    day.falls.kind === 'none' ? 'dry' : `${day.falls.kind}, ${fall(day.falls.mmH, units)} ${fallUnit(units)}/h`;
  const kinds = ['none', 'dry snow', 'wet snow', 'sleet', 'rain'] as const;
  return (
    <div className="flex flex-wrap gap-1.5 max-[760px]:mt-1.5" role="group" aria-label="What was understood">
      <ListChip
        door={door}
        of="sport"
        label="sport"
        says={SPORT[day.sport].label}
        value={day.sport}
        options={DOOR_SPORTS.map((s) => ({ value: s, label: SPORT[s].label }))}
        onTake={(sport) => door.set('sport', { sport })}
        refTo={at('sport')}
      />
      <NumberChip
        label="minutes"
        says={day.minutes >= 100 ? `${clock(day.minutes * 60)} h` : `${Math.round(day.minutes)} min`}
        how={howOf(door, 'minutes')}
        value={day.minutes}
        step={5}
        range={DOOR_RANGE.minutes}
        refTo={at('minutes')}
        onMove={(minutes) => door.drag('minutes', { minutes })}
        onRest={(minutes) => door.set('minutes', { minutes })}
      />
      <NumberChip
        label={`effort, ${Math.round(day.exertion * 10) / 10} of 10`}
        says={`${effortWord(day.exertion)}${going ? `, ${going.metabolicW.toFixed(0)} W` : ''}`}
        how={howOf(door, 'exertion')}
        value={day.exertion}
        step={0.5}
        range={DOOR_RANGE.exertion}
        refTo={at('exertion')}
        onMove={(exertion) => door.drag('exertion', { exertion })}
        onRest={(exertion) => door.set('exertion', { exertion })}
      />
      <NumberChip
        label="air"
        says={temperature(day.airC, units)}
        how={howOf(door, 'airC')}
        value={day.airC}
        step={units === 'imperial' ? 1 / 1.8 : 1}
        range={DOOR_RANGE.airC}
        refTo={at('airC')}
        onMove={(airC) => door.drag('airC', { airC })}
        onRest={(airC) => door.set('airC', { airC })}
      />
      <NumberChip
        label="wind"
        says={windWords(day.windMs, units)}
        how={howOf(door, 'windMs')}
        value={day.windMs}
        step={units === 'imperial' ? 0.44704 : 1 / 3.6}
        range={DOOR_RANGE.windMs}
        refTo={at('windMs')}
        onMove={(windMs) => door.drag('windMs', { windMs })}
        onRest={(windMs) => door.set('windMs', { windMs })}
      />
      <ListChip
        door={door}
        of="falls"
        label="wet"
        says={falls}
        value={day.falls.kind as (typeof kinds)[number]}
        options={kinds.map((k) => ({ value: k, label: k === 'none' ? 'dry' : k }))}
        onTake={(k) => {
          const kind = fallsIn(day.airC, k);
          door.set('falls', { falls: { ...day.falls, kind, mmH: USUAL_FALL_MMH[kind] } });
        }}
        refTo={at('falls')}
      />
      <StopsChip door={door} refTo={at('stops')} />
      <ListChip
        door={door}
        of="sky"
        label="light"
        says={lightWords(door) || day.sky}
        value={day.sky}
        options={(Object.keys(DOOR_SKIES) as DoorSky[]).map((s) => ({ value: s, label: s }))}
        onTake={(sky) => door.set('sky', { sky })}
        refTo={at('sky')}
      />
      <ListChip
        door={door}
        of="shelter"
        label="where"
        says={day.shelter}
        value={day.shelter}
        options={SHELTER_WORDS.map(([s]) => ({ value: s, label: s }))}
        onTake={(shelter) => door.set('shelter', { shelter })}
        refTo={at('shelter')}
      />
      <NumberChip
        label="start"
        says={
          dayOf(day.startMs) === dayOf(door.unsaid.nowMs)
            ? timeOfDay(day.startMs)
            : `${dayOf(day.startMs)}, ${timeOfDay(day.startMs)}`
        }
        how={howOf(door, 'startMs')}
        value={(day.startMs - door.unsaid.nowMs) / 60_000}
        step={10}
        range={[-720, 14_400, 'min']}
        refTo={at('startMs')}
        onMove={(m) => door.drag('startMs', { startMs: startAt(door, m) })}
        onRest={(m) => door.set('startMs', { startMs: startAt(door, m) })}
      />
      {(day.packKg > 0 || howOf(door, 'packKg') === 'said') && (
        <NumberChip
          label="pack"
          says={kilograms(day.packKg, units)}
          how={howOf(door, 'packKg')}
          value={day.packKg}
          step={1}
          range={DOOR_RANGE.packKg}
          refTo={at('packKg')}
          onMove={(packKg) => door.drag('packKg', { packKg })}
          onRest={(packKg) => door.set('packKg', { packKg })}
        />
      )}
    </div>
  );
}

const TEN_MIN = 600_000;
const startAt = (door: Door, minutes: number): number =>
  Math.round((door.unsaid.nowMs + minutes * 60_000) / TEN_MIN) * TEN_MIN;

const SKY_BRIEF: Record<DoorSky, string> = { clear: 'sunny', 'some cloud': 'some sun', overcast: 'grey' };

/** Whether it is light on the way, by the clock and the place. */
function lightWords({ timeline, day }: Door): string {
  const sun = timeline?.stretches.flatMap((s) => s.sunDeg ?? []) ?? [];
  if (sun.length === 0) return '';
  const dark = sun.filter((s) => s < DIM_DEG).length;
  const sky = timeline!.stretches.some((s) => s.cloud > 0.8) ? 'grey' : SKY_BRIEF[day.sky];
  return dark === sun.length ? 'dark' : dark > 0 ? 'part dark' : sky;
}

function stopWords(stops: readonly DoorStop[]): string {
  if (stops.length === 0) return 'none';
  if (stops.length > 1) return `${stops.length} kinds, ${stops.reduce((s, x) => s + x.times * x.minutes, 0)} min`;
  const [s] = stops;
  return s.kind === 'lights'
    ? `${s.times} lights`
    : `${STOP_SAYS[s.kind].split(',')[0]}, ${s.times > 1 ? `${s.times} × ` : ''}${s.minutes} min`;
}

/** Stops and waits: a chip that opens a small table. */
function StopsChip({ door, refTo }: { door: Door; refTo: (el: HTMLDivElement | null) => void }) {
  const { stops } = door.day;
  const with_ = (kind: DoorStopKind, change: Partial<DoorStop> | null) => {
    const rest = stops.filter((s) => s.kind !== kind);
    const now = stops.find((s) => s.kind === kind) ?? USUAL_STOP[kind];
    door.set('stops', { stops: change === null ? rest : [...rest, { ...now, ...change }] });
  };
  return (
    <Popover.Root>
      <ChipFrame label="stops" how={howOf(door, 'stops')} refTo={refTo}>
        <Popover.Trigger
          className="flex cursor-pointer items-end pl-1 hover:bg-worn"
          aria-label={`Stops: ${stopWords(stops)}`}
        >
          <ChipText label="stops" value={stopWords(stops)} />
          <ChevronDown size={12} className="mx-1 mb-1.5" aria-hidden="true" />
        </Popover.Trigger>
      </ChipFrame>
      <Popover.Portal>
        <Popover.Content align="start" sideOffset={3} className={`${menu} w-[300px]`}>
          {(Object.keys(STOP_SAYS) as DoorStopKind[]).map((kind) => {
            const s = stops.find((x) => x.kind === kind);
            return (
              <div key={kind} className="flex items-center gap-2 px-1.5 py-1">
                <span className={`grow ${s ? 'font-semibold' : 'text-ink-2'}`}>{STOP_SAYS[kind]}</span>
                {s ? (
                  <>
                    <Stepper
                      label={`${STOP_SAYS[kind]}, how often`}
                      value={s.times}
                      says={`${s.times} ×`}
                      range={DOOR_RANGE.stopTimes}
                      by={1}
                      onTake={(times) => with_(kind, { times })}
                    />
                    <Stepper
                      label={`${STOP_SAYS[kind]}, minutes`}
                      value={s.minutes}
                      says={`${s.minutes} min`}
                      range={DOOR_RANGE.stopMinutes}
                      by={s.minutes < 5 ? 1 : 5}
                      onTake={(minutes) => with_(kind, { minutes })}
                    />
                    <Button kind="quiet" size="small" onClick={() => with_(kind, null)}>
                      none
                    </Button>
                  </>
                ) : (
                  <Button size="small" onClick={() => with_(kind, {})}>
                    add
                  </Button>
                )}
              </div>
            );
          })}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Stepper({
  label,
  value,
  says,
  range,
  by,
  onTake,
}: {
  label: string;
  value: number;
  says: string;
  range: readonly [number, number, string];
  by: number;
  onTake: (v: number) => void;
}) {
  const held = (v: number) => Math.min(range[1], Math.max(range[0], v));
  return (
    <span className="inline-flex items-center" role="group" aria-label={label}>
      <Button size="small" kind="quiet" aria-label="less" onClick={() => onTake(held(value - by))}>
        −
      </Button>
      <b className="min-w-[44px] text-center">{says}</b>
      <Button size="small" kind="quiet" aria-label="more" onClick={() => onTake(held(value + by))}>
        +
      </Button>
    </span>
  );
}
