import { refuse } from '@/formats/problem';
import { object, text } from '@/formats/schemaParts';
import { MOST_LETTERS } from '@/formats/spokenLine';
import { validated } from '@/formats/validate';
import { keepRegular, listLines, MOST_REGULARS, rememberLine } from '@/store/lines';
import { door, readBody } from '@/app/api/door';

const line = { type: 'string', minLength: 1, maxLength: MOST_LETTERS };
const schema = object({ line, name: text }, ['line']);

/** Remembers a line that was answered; with a name it is kept as a regular. Answers with all that are kept. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const body = validated<{ line: string; name?: string }>(schema, await readBody(request), 'Line');
    if (body.name === undefined) await rememberLine(athlete.id, body.line);
    else if ((await keepRegular(athlete.id, body.name.trim() || body.line.slice(0, 60), body.line)) === null)
      refuse('Regulars', 'number', `over ${MOST_REGULARS}`, `at most ${MOST_REGULARS}; forget one first`);
    return { lines: await listLines(athlete.id) };
  });
}
