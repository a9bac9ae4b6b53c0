import { describe, expect, it } from 'vitest';
import type { ValidationError } from 'yup';
import { contactSchema, customerSchema } from './customer-schema';

const id = '3f0c2a52-6f0e-4c59-9a57-0d6f4f4c0001';
const fields = async (schema: { validate: (value: unknown, options: object) => Promise<unknown> }, value: unknown) =>
  schema.validate(value, { abortEarly: false, stripUnknown: true }).then(
    () => [],
    (error: ValidationError) => error.inner.map((one) => one.path).sort(),
  );

describe('what is typed about a customer', () => {
  it('a name is needed; a mail address, where there is one, must be one', async () => {
    expect(await fields(customerSchema, { email: 'nowhere' })).toEqual(['email', 'name']);
    expect(await fields(customerSchema, { name: 'Yard', email: '' })).toEqual([]);
    expect(await customerSchema.validate({ name: '  Yard  ' })).toMatchObject({ name: 'Yard', wantsReminders: true });
  });
  it('a contact for reminders needs a mail address; one for calls does not', async () => {
    const contact = { customerId: id, name: 'Ivo' };
    expect(await fields(contactSchema, { ...contact, purposes: ['reminders'] })).toEqual(['email']);
    expect(await fields(contactSchema, { ...contact, purposes: ['calls'] })).toEqual([]);
    expect(await fields(contactSchema, { ...contact, purposes: ['visits'] })).toEqual(['purposes[0]']);
  });
});
