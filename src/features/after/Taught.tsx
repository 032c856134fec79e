import { MOVED } from '@/core/afterwards/afterWords';
import { garmentKnown, garmentWords } from '@/core/calibrate/garments';
import type { Lesson } from '@/core/calibrate/learn';
import { of, PARAMETER_NAMES } from '@/core/calibrate/learned';
import { learnedWords } from '@/core/calibrate/learnedWords';
import { Curves, TITLES } from '@/features/learned/Curves';
import type { Units } from '@/formats/measures';
import { fillSlots } from '@/formats/sentences';

const upper = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What it taught, as curves before and after; what hardly moved is one line. */
export function Taught({
  lesson,
  garments,
  units,
  asks,
}: {
  lesson: Lesson | null;
  garments: ReadonlyMap<string, { name: string }>;
  units: Units;
  asks: string;
}) {
  const moved = lesson
    ? PARAMETER_NAMES.filter(
        (p) => Math.abs(of(lesson.after, p).mean - of(lesson.before, p).mean) > (MOVED / 3) * of(lesson.before, p).sd,
      )
    : [];
  const still = PARAMETER_NAMES.filter((p) => !moved.includes(p));
  return (
    <section aria-labelledby="taught">
      <h2 id="taught" className="flex items-baseline justify-between font-semibold">
        What it teaches about you
        {lesson && (
          <span className="text-[12px] font-normal text-ink-3">{lesson.after.outings} outings; dashed: before</span>
        )}
      </h2>
      <div className="mt-1 border-t border-ink">
        {moved.map((p) => (
          <div
            key={p}
            className="grid grid-cols-[minmax(0,1fr)_150px] items-center gap-2 border-b border-grid-2 py-0.5"
          >
            <p className="leading-tight">
              <b className="speak text-[15px]">{upper(fillSlots(learnedWords(lesson!.after, p), units))}</b>
            </p>
            <Curves before={lesson!.before} after={lesson!.after} p={p} />
          </div>
        ))}
        {lesson && still.length > 0 && (
          <p className="border-b border-grid-2 py-1 text-ink-2">
            Nothing new: {still.map((p) => TITLES[p].toLowerCase()).join('; ')}.
          </p>
        )}
        {lesson && <Pieces lesson={lesson} garments={garments} />}
        {!lesson && <p className="py-1 text-ink-2">Nothing was told yet that teaches.</p>}
        {asks && <p className="speak py-1.5 text-[14.5px]">{asks}</p>}
      </div>
    </section>
  );
}

/** Pieces of which this outing clearly says that they are not as their numbers say. */
function Pieces({ lesson, garments }: { lesson: Lesson; garments: ReadonlyMap<string, { name: string }> }) {
  const list = Object.entries(lesson.after.garments ?? {}).flatMap(([id, known]) => {
    const before = garmentKnown(lesson.before.garments, id);
    const words = known.outings > before.outings ? garmentWords(known) : null;
    return words ? [{ id, words }] : [];
  });
  return list.map(({ id, words }) => (
    <p key={id} className="border-b border-grid-2 py-1">
      <b>{garments.get(id)?.name ?? 'A piece'}</b>: {words}
    </p>
  ));
}
