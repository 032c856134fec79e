/** The worker could not be loaded, or broke as a whole: nothing in the plan is to blame. */
export class WorkerBroke extends Error {}

/** Work under way, and a way to end it at once. */
export interface Asked<T> {
  result: Promise<T>;
  cancel: () => void;
}

/** A simulation of the longest day takes a fraction of this, ms. */
const PATIENCE_MS = 5000;

/** Nothing was heard for too long. */
export class Silent extends Error {}

/** Rejects when nothing was heard for too long. */
export function quiet(): { over: Promise<never>; end: () => void } {
  let end = () => {};
  const over = new Promise<never>((_, reject) => {
    const timer = setTimeout(() => reject(new Silent()), PATIENCE_MS);
    end = () => clearTimeout(timer);
  });
  return { over, end };
}

/** After a pause of the whole machine messages come in only now: they are listened to before anybody is called silent, ms. */
const CATCH_UP_MS = 300;

/**
 * Work that says something all the time. One that falls silent hangs, or is gone without a word: it is ended and begun again, once.
 * @param begin is given what to call whenever something was heard @param again is told when it is begun anew
 */
export function watched<T>(begin: (heard: () => void) => Asked<T>, again: () => void): Asked<T> {
  let cancel = () => {};
  const result = new Promise<T>((done, fail) => {
    const go = (nth: 'first' | 'second') => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      let over = false;
      const end = () => {
        over = true;
        clearTimeout(timer);
      };
      const silent = () => {
        end();
        asked.cancel();
        if (nth === 'second') return fail(new WorkerBroke('it does not answer'));
        again();
        go('second');
      };
      const heard = () => {
        clearTimeout(timer);
        if (!over) timer = setTimeout(() => (timer = setTimeout(silent, CATCH_UP_MS)), PATIENCE_MS - CATCH_UP_MS);
      };
      const asked = begin(heard);
      cancel = () => {
        end();
        asked.cancel();
      };
      heard();
      asked.result.then(
        (value) => {
          end();
          done(value);
        },
        (e: Error) => {
          if (over) return;
          end();
          fail(e);
        },
      );
    };
    go('first');
  });
  return { result, cancel: () => cancel() };
}
