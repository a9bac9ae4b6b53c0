import { describe, expect, it } from 'vitest';
import * as yup from 'yup';
import { may } from './permission';
import { Problem } from './problem';
import { toFailure } from './failure';
import { dateIn } from './clock';

const thrown = async (schema: yup.Schema, value: unknown) => {
  try {
    await schema.validate(value, { abortEarly: false });
    throw new Error('was accepted');
  } catch (error) {
    return error;
  }
};

describe('an error becomes a clear message', () => {
  it('what was typed wrongly: a message beside each field', async () => {
    const schema = yup.object({ name: yup.string().required('A name.'), places: yup.number().min(1, 'At least one.') });
    expect(toFailure(await thrown(schema, { places: 0 }), 'door')).toMatchObject({
      code: 'invalid',
      status: 400,
      fields: { name: 'A name.', places: 'At least one.' },
    });
  });
  it('what a person can put right keeps its words, its field and its status', () => {
    expect(toFailure(new Problem('Place 3 is taken.', { place: 'Taken.' }, 409, { code: 'taken' }), 'door')).toEqual({
      ok: false,
      code: 'taken',
      message: 'Place 3 is taken.',
      fields: { place: 'Taken.' },
      status: 409,
    });
    expect(
      toFailure(Problem.fromRefusal({ refused: true, code: 'expired', sentence: 'It expired.', field: 'reference' }), 'door'),
    ).toMatchObject({ code: 'expired', fields: { reference: 'It expired.' } });
  });
  it('a database out of reach says that nothing is lost, however deep the cause lies', () => {
    const away = new Error('query failed', { cause: Object.assign(new Error('connect'), { code: 'ECONNREFUSED' }) });
    expect(toFailure(away, 'door')).toMatchObject({ code: 'databaseAway', status: 503 });
    expect(
      toFailure(Object.assign(new AggregateError([Object.assign(new Error('x'), { code: 'ECONNREFUSED' })])), 'door').code,
    ).toBe('databaseAway');
  });
  it('anything else is logged under an id that the person sees, and tells nothing more', () => {
    const failure = toFailure(new Error('secret detail of the inside'), 'door');
    expect(failure).toMatchObject({ code: 'unforeseen', status: 500 });
    expect(failure.message).toMatch(/logged as [0-9a-f]{8}/);
    expect(failure.message).not.toContain('secret');
  });
});

describe('who may', () => {
  it.each([
    ['counter', ['signedIn', 'receive'], ['bench', 'approve', 'office']],
    ['technician', ['receive', 'bench'], ['approve', 'office']],
    ['signatory', ['bench', 'approve'], ['office']],
    ['administrator', ['approve', 'office'], []],
  ] as const)('a %s', (role, granted, denied) => {
    for (const permission of granted) expect(may(role, permission), permission).toBe(true);
    for (const permission of denied) expect(may(role, permission), permission).toBe(false);
  });
  it('nobody signed in sees only what is public', () => {
    expect(may(null, 'public')).toBe(true);
    expect(may(null, 'signedIn')).toBe(false);
  });
});

it('the calendar date is that of the workshop’s zone', () => {
  const late = new Date('2026-11-24T23:30:00.000Z');
  expect(dateIn('UTC', late)).toBe('2026-11-24');
  expect(dateIn('Europe/Berlin', late)).toBe('2026-11-25');
  expect(dateIn('America/Los_Angeles', late)).toBe('2026-11-24');
});
