import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import { parse as parseTolerant, printParseErrorCode, type ParseError } from 'jsonc-parser';
import { NAME_LENGTH } from '@/core/clothing/garment';
import { refuse, Refused, shown, type Problem } from './problem';

/** Stops at the first fault, whatever is sent; and finds all of them, for what is small enough to be somebody's form. */
const first = addFormats(new Ajv({ allErrors: false, strict: false, verbose: true }));
const all = addFormats(new Ajv({ allErrors: true, strict: false, verbose: true }));
const compiled = new Map<object, { first: ValidateFunction; all: ValidateFunction }>();

/** Values in a thing of which all faults are told, and faults that are told at once. */
const MOST_VALUES = 5000;
const MOST_FAULTS = 12;

/**
 * Checks a parsed JSON value against a schema and returns it typed.
 * @param schema a constant: compiled once @throws Refused with every fault: the field's path, its value and what is allowed
 */
export function validated<T>(schema: object, value: unknown, where: string): T {
  checkWholesome(value, where);
  let check = compiled.get(schema);
  if (!check) {
    check = { first: first.compile(schema), all: all.compile(schema) };
    compiled.set(schema, check);
  }
  if (check.first(value)) return value as T;
  const errors = check.first.errors ?? [];
  if (isOneOf(errors) || !isSmall(value)) throw new Refused([toProblem(mostTelling(errors), where)]);
  check.all(value);
  const found = check.all.errors ?? errors;
  const told = isOneOf(found) ? errors : found;
  throw new Refused(told.slice(0, MOST_FAULTS).map((e) => toProblem(e, where)));
}

/** Deeper than anything that is asked for. */
const MOST_DEPTH = 64;
/** Names that mean something to the language itself. */
const NOT_NAMES = new Set(['__proto__', 'constructor', 'prototype']);

/** Whether a text can be stored and shown: no NUL, no half of a character. */
const isText = (s: string): boolean => !s.includes('\0') && !/\p{Surrogate}/u.test(s);

/** What no schema says: how deep, and of which letters. Walks without recursion, however deep it is. @throws Refused */
function checkWholesome(value: unknown, where: string): void {
  const left: { value: unknown; field: string; depth: number }[] = [{ value, field: 'the whole', depth: 0 }];
  for (let at = left.pop(); at; at = left.pop()) {
    const { value: v, field, depth } = at;
    if (typeof v === 'string' && !isText(v)) refuse(where, field, v, 'letters that can be shown');
    if (typeof v !== 'object' || v === null) continue;
    if (depth > MOST_DEPTH) refuse(where, field, 'nested', `at most ${MOST_DEPTH} levels`);
    for (const key of Object.keys(v)) {
      if (NOT_NAMES.has(key) || !isText(key)) refuse(where, field, key, 'another name');
      left.push({
        value: (v as Record<string, unknown>)[key],
        field: depth === 0 ? key : `${field}.${key}`,
        depth: depth + 1,
      });
    }
  }
}

/** "One of" makes faults of every alternative; only the most telling is a help. */
const isOneOf = (errors: readonly ErrorObject[]): boolean =>
  errors.some((e) => e.keyword === 'oneOf' || e.keyword === 'anyOf');

/** Whether a value is small enough that all its faults can be looked for. */
function isSmall(value: unknown): boolean {
  let left = MOST_VALUES;
  const visit = (v: unknown): boolean => {
    if (left-- <= 0) return false;
    return typeof v !== 'object' || v === null || Object.values(v).every(visit);
  };
  return visit(value);
}

/** Of the errors of a "one of", the deepest says most. */
function mostTelling(errors: ErrorObject[]): ErrorObject {
  return (
    [...errors]
      .filter((e) => e.keyword !== 'oneOf' && e.keyword !== 'anyOf')
      .sort((a, b) => b.instancePath.length - a.instancePath.length)[0] ?? errors[0]
  );
}

/** A fault as a problem: named by its path, and for people by the words of its form. */
function toProblem(e: ErrorObject, where: string): Problem {
  const path = e.instancePath.replace(/^\//, '').replace(/\//g, '.') || 'the whole';
  const inside = (key: unknown) => `${path === 'the whole' ? '' : path + '.'}${String(key)}`;
  const params = e.params as Record<string, unknown>;
  const parent = (e.parentSchema ?? {}) as Said;
  const label = parent['x-field']?.label;
  const value = e.data === null || e.data === '' ? 'empty' : shown(e.data);
  switch (e.keyword) {
    case 'minimum':
    case 'maximum':
      return { where, field: path, label, value, allowed: rangeOf(parent) };
    case 'enum':
      return { where, field: path, label, value, allowed: (params.allowedValues as unknown[]).join(', ') };
    case 'const':
      return { where, field: path, label, value, allowed: String(params.allowedValue) };
    case 'required': {
      const missing = parent.properties?.[String(params.missingProperty)];
      return {
        where,
        field: inside(params.missingProperty),
        label: missing?.['x-field']?.label,
        value: 'missing',
        allowed: missing?.minimum === undefined ? 'it is needed' : rangeOf(missing),
      };
    }
    case 'additionalProperties':
      return {
        where,
        field: inside(params.additionalProperty),
        value: 'unknown field',
        allowed: Object.keys(parent.properties ?? {}).join(', '),
      };
    case 'type':
      return {
        where,
        field: path,
        label,
        value,
        allowed:
          parent.minimum === undefined
            ? (TYPE_WORDS[String(params.type)] ?? String(params.type))
            : `a number, ${rangeOf(parent)}`,
      };
    case 'minLength':
    case 'maxLength':
      return { where, field: path, label, value, allowed: `1 to ${parent.maxLength ?? NAME_LENGTH} letters` };
    default:
      return { where, field: path, label, value, allowed: e.message ?? 'another value' };
  }
}

/** Types of JSON as people say them. */
const TYPE_WORDS: Record<string, string> = {
  object: 'an object in braces',
  array: 'a list',
  string: 'a text',
  number: 'a number',
  integer: 'a whole number',
  boolean: 'true or false',
};

/** What a schema says of itself. */
interface Said {
  minimum?: number;
  maximum?: number;
  maxLength?: number;
  description?: string;
  properties?: Record<string, Said>;
  'x-field'?: { label?: string };
}

const rangeOf = (s: Said): string =>
  s.maximum === undefined
    ? `at least ${s.minimum}`
    : `${s.minimum} to ${s.maximum}${s.description ? ' ' + s.description : ''}`;

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
  } catch {
    const fault = firstFault(text);
    const at = fault ? fault.offset : text.length;
    throw new Refused([
      {
        where,
        line: text.slice(0, at).split('\n').length,
        field: 'JSON',
        value: fault ? `broken: ${wordsOf(printParseErrorCode(fault.error))}` : 'broken',
        allowed: 'well-formed JSON',
      },
    ]);
  }
}

/** Where JSON breaks first; null where even that cannot be said, since it is nested too deep to follow. */
function firstFault(text: string): ParseError | null {
  const faults: ParseError[] = [];
  try {
    parseTolerant(text, faults);
  } catch (e) {
    if (!(e instanceof RangeError)) throw e;
  }
  return faults[0] ?? null;
}

/** `CloseBraceExpected` in words. */
const wordsOf = (code: string): string => code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
