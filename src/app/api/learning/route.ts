import { checkId, Changed, door, readBody } from '@/app/api/door';
import { learnedSchema, lessonSchema, readLearned, readLesson } from '@/formats/lessonJson';
import { refuse } from '@/formats/problem';
import { object, orNull, uuid, VERSION } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { currentAthlete } from '@/store/athlete';
import { keepLessons, leaveOut, lessonsKept, listTeaching, toldOuting, type Kept } from '@/store/learning';

/** Told outings that are sent at once. */
const MOST_TOLD = 200;

/**
 * Outings that teach, what is known, and all that is learned from of those that wait; with `?of=` ids of the outings named, whether they
 * wait or not: to learn them anew; with `?lessons` what each taught that was kept.
 */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const asked = new URL(request.url).searchParams;
    const of = asked.get('of');
    const outings = await listTeaching(athlete.id);
    const named = of?.split(',').map((id) => checkId(id, 'of'));
    const chosen = outings.filter((o) => (named ? named.includes(o.id) : o.stands === 'waits')).slice(0, MOST_TOLD);
    const told = [];
    for (const o of chosen) told.push(await toldOuting(athlete, o.id));
    const { given, known, version } = athlete;
    const lessons = asked.has('lessons') ? await lessonsKept(athlete.id) : [];
    return { outings, given, known, version, lessons, told: told.filter((t) => t !== null) };
  });
}

const schema = object(
  {
    version: VERSION,
    known: orNull(learnedSchema),
    lessons: {
      type: 'array',
      maxItems: MOST_TOLD,
      items: object({ outingId: uuid, lesson: lessonSchema }, ['outingId', 'lesson']),
    },
    how: { enum: ['beside', 'instead'] },
    drop: { type: 'array', maxItems: MOST_TOLD, items: uuid },
    leftOut: { type: 'array', maxItems: MOST_TOLD, items: uuid },
  },
  ['version', 'known', 'lessons', 'how'],
);

/** Keeps what outings taught; with `instead` and nothing in it, one starts again. */
export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const kept = validated<Kept>(schema, await readBody(request), 'Learning');
    if (kept.known) readLearned(kept.known, 'Learning, known');
    kept.lessons.forEach((l, i) => readLesson(l.lesson, `Learning, lesson ${i + 1}`));
    const version = await keepLessons(athlete.id, kept);
    if (version === 'unknown') refuse('Learning', 'outingId', 'not known', 'outings of yours');
    if (version === null) {
      const { known, version: newest } = await currentAthlete();
      throw new Changed('Learning', kept.version, { version: newest, value: { known } });
    }
    return { version };
  });
}

/** Leaves an outing that is not kept out of learning as unusual, or counts it again. */
export async function PATCH(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const { outing, leftOut } = validated<{ outing: string; leftOut: boolean }>(
      object({ outing: uuid, leftOut: { type: 'boolean' } }, ['outing', 'leftOut']),
      await readBody(request),
      'Learning',
    );
    return (await leaveOut(athlete.id, outing, { out: leftOut })) ? { leftOut } : null;
  });
}
