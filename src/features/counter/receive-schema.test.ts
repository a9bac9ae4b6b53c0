import { describe, expect, it } from 'vitest';
import { assetSchema, INSPECTION_ITEMS, inspectionFor, receiptSchema } from './receive-schema';

const id = '3f0c2a52-6f0e-4c59-9a57-0d6f4f4c0001';
const problems = async (
  schema: { validate: (value: unknown, options: object) => Promise<unknown> },
  value: unknown,
): Promise<Record<string, string>> => {
  try {
    await schema.validate(value, { abortEarly: false, stripUnknown: true });
    return {};
  } catch (error) {
    return Object.fromEntries(
      (error as { inner: { path: string; message: string }[] }).inner.map((one) => [one.path, one.message]),
    );
  }
};
const line = { assetId: id, service: 'calibrate' };

describe('what the counter types', () => {
  it('a receipt needs a customer and at least one instrument; the rest has a sensible start', async () => {
    expect(Object.keys(await problems(receiptSchema, { instruments: [] })).sort()).toEqual(['customerId', 'instruments']);
    const receipt = await receiptSchema.validate({ customerId: id, instruments: [line] }, { stripUnknown: true });
    expect(receipt.instruments[0]).toMatchObject({ rule: 'simple', dueAgreed: false, promiseOn: null });
    expect(Object.keys(receipt.instruments[0]!.inspection).sort()).toEqual(INSPECTION_ITEMS.map((item) => item.id).sort());
  });
  it('glass, cell and membrane are looked at only where the instrument has them; else they are not applicable', async () => {
    expect(inspectionFor(['oxygen', 'methane']).some((item) => item.measurands)).toBe(false);
    expect(inspectionFor(['pH', 'conductivity']).map((item) => item.id)).toEqual(expect.arrayContaining(['glass', 'cell']));
    const receipt = await receiptSchema.validate({ customerId: id, instruments: [line] }, { stripUnknown: true });
    expect(receipt.instruments[0]!.inspection).toMatchObject({
      membrane: { result: 'notApplicable' },
      case: { result: 'notLookedAt' },
    });
  });
  it('a fault needs a note, beside its own field; a service and a date must be ones that exist', async () => {
    const found = await problems(receiptSchema, {
      customerId: id,
      instruments: [{ ...line, service: 'Polish', promiseOn: 'tomorrow', inspection: { keys: { result: 'fault', note: '' } } }],
    });
    expect(found['instruments[0].inspection.keys']).toBe('Say what is wrong.');
    expect(Object.keys(found)).toEqual(expect.arrayContaining(['instruments[0].service', 'instruments[0].promiseOn']));
    expect(
      await problems(receiptSchema, {
        customerId: id,
        instruments: [{ ...line, inspection: { keys: { result: 'fault', note: 'sticks' } } }],
      }),
    ).toEqual({});
  });
  it.each([
    ['', 'The serial number is needed.'],
    ['a<script>', 'Letters, figures'],
    ['x'.repeat(41), 'At most 40'],
  ])('serial “%s” is refused: %s', async (serial, message) => {
    expect((await problems(assetSchema, { customerId: id, modelId: id, serial })).serial).toContain(message);
  });
});
