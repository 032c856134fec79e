import { createEvents, type DateArray, type EventAttributes } from 'ics';

/** What is to be remembered of the rack: when a piece is dry. Wall clock, ms. */
export interface Reminder {
  id: string;
  name: string;
  dryMs: number;
  place: string | null;
}

const partsOf = (ms: number): DateArray => {
  const d = new Date(ms);
  return [d.getUTCFullYear(), d.getUTCMonth() + 1, d.getUTCDate(), d.getUTCHours(), d.getUTCMinutes()];
};

/**
 * Reminders as iCalendar (RFC 5545): for each piece when it is dry, with an alarm then, in floating local time: the clock on the wall
 * where it hangs. @param nowMs wall clock, for the stamp
 */
export function rackCalendar(list: readonly Reminder[], nowMs: number): string {
  const events = list.map((r): EventAttributes => ({
    uid: `${r.id}-${Math.round(r.dryMs / 60_000)}@lofted-ember`,
    productId: 'lofted-ember/rack',
    title: `${r.name} is dry`,
    description: `${r.place ? `It hangs ${r.place}. ` : ''}Worked out from its water and the air there: feel it before you pack it. Never on the heater.`,
    start: partsOf(r.dryMs),
    startInputType: 'local',
    startOutputType: 'local',
    created: partsOf(nowMs),
    duration: { minutes: 10 },
    alarms: [{ action: 'display', description: `${r.name} is dry`, trigger: { minutes: 0, before: true } }],
  }));
  const { value, error } = createEvents(events);
  if (error || !value) throw error ?? new Error('no calendar was made');
  return value;
}
