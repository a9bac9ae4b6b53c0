import { expect, it } from 'vitest';
import { Decimal } from 'decimal.js';
import { amountOf, totalOf } from './position';

it('a line is rounded to the cent as a general-purpose decimal library rounds it, and the sum is that of the rounded lines', () => {
  const lines = Array.from({ length: 200 }, (_unused, index) => ({
    quantity: String((index % 7) + 0.25 * (index % 4) + 0.05),
    each: `${index}.${String((index * 37) % 100).padStart(2, '0')}`,
  }));
  let sum = new Decimal(0);
  for (const line of lines) {
    const amount = new Decimal(line.quantity).times(line.each).toDecimalPlaces(2, Decimal.ROUND_HALF_UP);
    expect(amountOf(line)).toBe(amount.toFixed(2));
    sum = sum.plus(amount);
  }
  expect(totalOf(lines)).toBe(sum.toFixed(2));
});
it('half a cent goes up; nothing comes to nothing', () => {
  expect(amountOf({ quantity: '0.5', each: '0.01' })).toBe('0.01');
  expect(totalOf([])).toBe('0.00');
});
