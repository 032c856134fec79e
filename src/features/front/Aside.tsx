'use client';
import { DOOR_HUMIDITY } from '@/core/outing/doorDay';
import { readPasted, type Pasted } from '@/formats/pasted';
import type { Heard } from '@/store/weather';
import type { FrontProps } from './FrontView';
import { HowWasIt, Next, RungNote, StillDamp } from './panels/Around';
import { LastLike } from './panels/LastLike';
import { Hours } from './panels/Hours';
import { PasteReport } from './panels/PasteReport';
import { StationChoice } from './panels/StationChoice';
import type { Door } from './state/useDoor';

const KEYS_SHOWN = [
  ['/', 'type'],
  ['← →', 'air'],
  ['↑ ↓', 'wind'],
  ['E', 'effort'],
  ['W', 'wet'],
  ['?', 'list'],
] as const;

/** The day around the answer: its hours, what comes next, what is damp, the last outing, and the ladder's rung. */
export function Aside({
  door,
  props,
  heard,
  pasted,
  onPasted,
  onHelp,
}: {
  door: Door;
  props: FrontProps;
  heard: Heard | null;
  pasted: Pasted | null;
  onPasted: (a: Pasted | null) => void;
  onHelp: () => void;
}) {
  const { units, nowMs } = props;
  return (
    <>
      <Hours door={door} hours={door.hours} heard={heard} units={units} />
      <StationChoice units={units} />
      <PasteReport
        pasted={pasted}
        onDrop={() => onPasted(null)}
        onRead={(text) => {
          const { airC } = door.unsaid.day;
          const station = props.heard?.weather;
          onPasted(
            readPasted(text, {
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
      <LastLike door={door} tried={props.tried} units={units} />
      <RungNote door={door} learned={props.learned} units={units} />
      <p className="mt-2.5 flex flex-wrap gap-x-3 gap-y-1 border-t border-grid-2 pt-1.5 text-[12px] text-ink-2 max-[760px]:hidden">
        {KEYS_SHOWN.map(([shown, says]) => (
          <span key={says}>
            <kbd className="ml-0">{shown}</kbd> {says}
          </span>
        ))}
        <button type="button" className="cursor-pointer underline" onClick={onHelp}>
          all keys
        </button>
      </p>
    </>
  );
}
