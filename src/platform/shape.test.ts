import { describe, expect, it } from 'vitest';
import * as yup from 'yup';
import { isId, parse, readJson, refuseMisshapen } from './shape';

const deep = (levels: number): unknown => (levels ? { a: deep(levels - 1) } : 1);
const body = (text: string) => readJson(new Request('http://127.0.0.1/', { method: 'POST', body: text }), 200);

describe('what no page of ours sends', () => {
  it.each([
    ['NUL', 'a\u0000b'],
    ['half a surrogate pair', 'a\ud800b'],
    ['the other half', { note: ['\udc00'] }],
    ['a number without end', { amount: Infinity }],
    ['1e20', 1e20],
    ['nesting without end', deep(60)],
    ['a key of the language', JSON.parse('{"__proto__":1}')],
    ['another', { constructor: 1 }],
    ['NUL in a key', { 'a\u0000': 1 }],
  ])('%s is refused', (_name, value) => {
    expect(() => refuseMisshapen(value)).toThrow(/can’t be read/);
  });
  it('what pages send passes: umlauts, signs outside the first plane, dates, files, null', () => {
    expect(() =>
      refuseMisshapen({ a: 'Größe 😀', b: [null, true, -1.5, new Date()], c: new File(['x'], 'x'), d: deep(20) }),
    ).not.toThrow();
  });
  it('JSON that is cut off, or none, and more than is taken', async () => {
    await expect(body('{"a":')).rejects.toMatchObject({ status: 400 });
    await expect(body('')).rejects.toMatchObject({ status: 400 });
    await expect(body(`"${'x'.repeat(300)}"`)).rejects.toMatchObject({ status: 413 });
    expect(await body('{"a":1}')).toEqual({ a: 1 });
  });
  it('an object where text is meant', async () => {
    const schema = yup.object({ name: yup.string().trim().required('A name.') });
    await expect(parse(schema, { name: { a: 1 } })).rejects.toMatchObject({ status: 400 });
    await expect(parse(schema, { name: '' })).rejects.toMatchObject({ errors: ['A name.'] });
    expect(await parse(schema, { name: ' a ', more: 1 })).toEqual({ name: 'a' });
  });
  it('36 dashes are no id', () => {
    expect(isId('-'.repeat(36))).toBe(false);
    expect(isId('7d444840-9dc0-11d1-b245-5ffdce74fad2')).toBe(true);
  });
});
