import { type Rung } from '@/core/search/ladderTerms';
import { proxy } from 'comlink';
import type { DoorDay } from '@/core/outing/doorDay';
import type { Begun, DoorAnswer, DoorTold } from '@/core/search/answer';
import { type DoorHour } from '@/core/search/aroundDoor';
import type { Plan } from '@/core/kit/plan';
import { start, WorkerBroke, type Running } from './client';
import type { DoorSetting } from './setting';

/** What is asked: the day as it stands on the dials, and the rungs of the ladder for its sport. */
export interface AskedAtDoor {
  day: DoorDay;
  rungs: readonly Rung[];
}

/** A part of the exact answer that takes longer than this is the whole search: a newer question does not wait for it, ms. */
const LONG_PART_MS = 700;

/**
 * Two workers for the front door: one answers at once from the rungs while a dial moves, the other exactly, part by part, when it rests.
 * Of each only the newest question counts.
 */
export class DoorKeeper {
  private quick: Running | null = null;
  private exact: Running | null = null;
  private readonly opened = new WeakSet<Running>();
  private busy = false;
  private waiting: (() => Promise<void>) | null = null;
  private partAt = 0;
  private asked = 0;
  /** what was answered at once last, and to what */
  private begun: (AskedAtDoor & { answer: DoorAnswer }) | null = null;

  constructor(
    private readonly setting: DoorSetting,
    private readonly failed: (e: Error) => void,
  ) {}

  private async ready(running: Running): Promise<Running> {
    if (!this.opened.has(running)) {
      this.opened.add(running);
      await running.api.openDoor(this.setting);
    }
    return running;
  }

  /** The answer at once; while one is worked out only the newest question waits. */
  atOnce({ day, rungs }: AskedAtDoor, done: (a: DoorAnswer) => void): void {
    this.waiting = async () => {
      const running = await this.ready((this.quick ??= start()));
      const answer = await Promise.race([running.api.doorAtOnce(day, rungs), running.broken]);
      this.begun = { day, rungs, answer };
      done(answer);
    };
    void this.next();
  }

  private async next(): Promise<void> {
    if (this.busy || !this.waiting) return;
    const ask = this.waiting;
    this.waiting = null;
    this.busy = true;
    try {
      await ask();
    } catch (e) {
      if (e instanceof WorkerBroke) this.quick = null;
      // What went wrong with an older question is no trouble of the newest, which is asked next.
      const newer: unknown = this.waiting;
      if (!newer) this.failed(e as Error);
    } finally {
      this.busy = false;
    }
    void this.next();
  }

  /** The exact answer in its parts; a question asked after it ends it. @param over is told whether it came to its end */
  exactly({ day, rungs }: AskedAtDoor, tell: (part: Partial<DoorTold>) => void, over: () => void): void {
    const mine = ++this.asked;
    if (this.exact && this.partAt > 0 && performance.now() - this.partAt > LONG_PART_MS) {
      this.exact.worker.terminate();
      this.exact = null;
    }
    const run = async () => {
      const running = await this.ready((this.exact ??= start()));
      // While the worker was being opened another may have been asked: the older would put it off.
      if (mine !== this.asked) return;
      this.partAt = performance.now();
      const told = (part: Partial<DoorTold>) => {
        this.partAt = performance.now();
        if (mine === this.asked) tell(part);
      };
      const whole = await Promise.race([
        running.api.door(day, rungs, this.begunOf({ day, rungs }), proxy(told)),
        running.broken,
      ]);
      if (mine !== this.asked) return;
      this.partAt = 0;
      if (whole) over();
    };
    run().catch((e: unknown) => {
      if (e instanceof WorkerBroke) this.exact = null;
      if (mine === this.asked) this.failed(e as Error);
    });
  }

  /** What the answer at once to the same question found, where it is there by now. */
  private begunOf({ day, rungs }: AskedAtDoor): Begun | undefined {
    const { begun } = this;
    if (!begun || begun.rungs !== rungs || JSON.stringify(begun.day) !== JSON.stringify(day)) return undefined;
    return { rung: begun.answer.rung, plan: begun.answer.plan };
  }

  /** Ends what is being worked out. */
  stop(): void {
    this.asked++;
    this.exact?.worker.terminate();
    this.exact = null;
    this.partAt = 0;
  }

  /** The same clothes at other hours. */
  async hours(day: DoorDay, plan: Plan, days: readonly DoorDay[]): Promise<DoorHour[]> {
    const running = await this.ready((this.quick ??= start()));
    return Promise.race([running.api.doorHours(day, plan, days), running.broken]);
  }

  close(): void {
    this.waiting = null;
    this.asked++;
    this.quick?.worker.terminate();
    this.exact?.worker.terminate();
    this.quick = null;
    this.exact = null;
  }
}
