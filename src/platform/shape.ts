import type { InferType, Schema } from 'yup';
import { say } from '@/core/words/say';
import { Problem } from './problem';
import '@/core/words/en/answers';

const DEEPEST = 40;
const MOST_PARTS = 200_000;
/** Keys that mean something to the language itself, never to us. */
const BARRED = new Set(['__proto__', 'constructor', 'prototype']);
/** NUL, which the database can't store, and half of a surrogate pair, which is no text (Unicode 15, 3.9, D71 to D76). */
const NO_TEXT = /\u0000|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/**
 * Refuses what no page of ours sends, before any schema looks at it: text that can't be stored, numbers that aren't finite, keys of the language, what is nested or large without end.
 * Errors: Problem (400).
 */
export function refuseMisshapen(value: unknown): void {
  let parts = 0;
  const look = (one: unknown, depth: number): void => {
    parts += 1;
    if (depth > DEEPEST || parts > MOST_PARTS) throw misshapen();
    if (typeof one === 'string') {
      if (NO_TEXT.test(one)) throw misshapen();
    } else if (typeof one === 'number') {
      if (!Number.isFinite(one) || Math.abs(one) > Number.MAX_SAFE_INTEGER) throw misshapen();
    } else if (Array.isArray(one)) one.forEach((part) => look(part, depth + 1));
    else if (isPlain(one))
      for (const key of Object.keys(one)) {
        if (BARRED.has(key) || NO_TEXT.test(key)) throw misshapen();
        look((one as Record<string, unknown>)[key], depth + 1);
      }
  };
  look(value, 0);
}

const isPlain = (one: unknown): one is object =>
  typeof one === 'object' &&
  one !== null &&
  (Object.getPrototypeOf(one) === Object.prototype || Object.getPrototypeOf(one) === null);

export const misshapen = () => new Problem(say({ code: 'shape.bad' }), {}, 400, { code: 'shape' });

/**
 * The body of a request as JSON, looked at. Errors: Problem (400) where it is cut off or no JSON, (413) where it is larger than `most` bytes.
 */
export async function readJson(request: Request, most = 4_000_000): Promise<unknown> {
  const text = await request.text();
  if (text.length > most) throw new Problem(say({ code: 'shape.large' }), {}, 413, { code: 'large' });
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw misshapen();
  }
  refuseMisshapen(value);
  return value;
}

/**
 * What a schema makes of it; what it doesn't name is left out, unless somebody behind it reads on. The schema library's own trimming throws where an object stands for text: that is misshapen as well. Errors: ValidationError, Problem (400).
 */
export async function parse<S extends Schema>(schema: S, raw: unknown, { stripUnknown = true } = {}): Promise<InferType<S>> {
  refuseMisshapen(raw);
  try {
    return (await schema.validate(raw, { abortEarly: false, stripUnknown })) as InferType<S>;
  } catch (error) {
    if (error instanceof TypeError) throw misshapen();
    throw error;
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
/** Whether a text from an address is an id: everything else stands for nothing that is there. */
export const isId = (text: string | undefined): text is string => text !== undefined && UUID.test(text);

/** Ids that were chosen in a list: each once, what is no id left out, so many at most. */
export const chosenIds = (ids: readonly string[], most: number): string[] =>
  [...new Set(ids)].filter((id) => isId(id)).slice(0, most);
