import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv';
import { Refused, shown, type Problem } from './problem';

const ajv = new Ajv({ allErrors: false, strict: false, verbose: true });
const compiled = new Map<object, ValidateFunction>();

/**
 * Checks a parsed JSON value against a schema and returns it typed.
 * @throws Refused with the field's path, its value and what is allowed
 */
export function validated<T>(schema: object, value: unknown, where: string): T {
  let check = compiled.get(schema);
  if (!check) {
    check = ajv.compile(schema);
    compiled.set(schema, check);
  }
  if (check(value)) return value as T;
  throw new Refused([toProblem(mostTelling(check.errors ?? []), where)]);
}

/** Of the errors of a "one of", the deepest says most. */
function mostTelling(errors: ErrorObject[]): ErrorObject {
  return (
    [...errors].filter((e) => e.keyword !== 'oneOf').sort((a, b) => b.instancePath.length - a.instancePath.length)[0] ??
    errors[0]
  );
}

function toProblem(e: ErrorObject, where: string): Problem {
  const path = e.instancePath.replace(/^\//, '').replace(/\//g, '.') || 'the whole';
  const params = e.params as Record<string, unknown>;
  switch (e.keyword) {
    case 'minimum':
    case 'maximum': {
      const s = e.parentSchema as { minimum?: number; maximum?: number; description?: string };
      return {
        where,
        field: path,
        value: shown(e.data),
        allowed: `${s.minimum} to ${s.maximum}${s.description ? ' ' + s.description : ''}`,
      };
    }
    case 'enum':
      return { where, field: path, value: shown(e.data), allowed: (params.allowedValues as unknown[]).join(', ') };
    case 'const':
      return { where, field: path, value: shown(e.data), allowed: String(params.allowedValue) };
    case 'required':
      return {
        where,
        field: `${path === 'the whole' ? '' : path + '.'}${String(params.missingProperty)}`,
        value: 'missing',
        allowed: 'it is needed',
      };
    case 'additionalProperties':
      return {
        where,
        field: `${path === 'the whole' ? '' : path + '.'}${String(params.additionalProperty)}`,
        value: 'unknown field',
        allowed: Object.keys((e.parentSchema as { properties?: object }).properties ?? {}).join(', '),
      };
    case 'type':
      return { where, field: path, value: shown(e.data), allowed: `a ${String(params.type)}` };
    default:
      return { where, field: path, value: shown(e.data), allowed: e.message ?? 'another value' };
  }
}

/** Largest JSON taken, characters. */
export const MAX_JSON = 8 * 1024 * 1024;

/**
 * Parses JSON text.
 * @throws Refused naming the line of the fault
 */
export function parseJson(text: string, where: string): unknown {
  if (text.length > MAX_JSON)
    throw new Refused([
      {
        where,
        field: 'size',
        value: `${(text.length / 1048576).toFixed(0)} MB`,
        allowed: `at most ${MAX_JSON / 1048576} MB`,
      },
    ]);
  if (text.trim() === '') throw new Refused([{ where, field: 'content', value: 'empty', allowed: 'a JSON object' }]);
  try {
    return JSON.parse(text);
  } catch (e) {
    const line = lineOfFault(text);
    throw new Refused([
      { where, line, field: 'JSON', value: shown((e as Error).message), allowed: 'well-formed JSON' },
    ]);
  }
}

/**
 * Line of the first fault of a JSON text. The engine quotes ten characters on either side of the bad token rather than its
 * place, so the quote is looked up; blanks around the text make it quote short texts the same way.
 */
function lineOfFault(text: string): number {
  try {
    JSON.parse(`${' '.repeat(64)}${text}${' '.repeat(64)}`);
  } catch (e) {
    const message = (e as Error).message;
    const position = /position (\d+)/.exec(message);
    const quote = /\.\.\."([\s\S]*)"\.\.\. is not valid JSON$/.exec(message);
    const at = position ? Number(position[1]) - 64 : quote ? text.indexOf(quote[1].trim()) + 10 : text.length;
    return text
      .slice(0, Math.max(0, at) + 1)
      .trimEnd()
      .split('\n').length;
  }
  return 1;
}
