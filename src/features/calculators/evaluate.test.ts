import { describe, expect, it } from 'vitest';
import { CALCULATORS } from './all-calculators';
import { evaluate, fromQuery, toQuery } from './evaluate';

const named = (id: string) => CALCULATORS.find((one) => one.id === id)!;
const line = (id: string, texts: Record<string, string>, label: string, units: Record<string, string> = {}) => {
  const outcome = evaluate(named(id), { texts, units });
  return outcome.lines?.find((one) => one.label === label)?.value ?? outcome.problem?.sentence;
};

describe('calculators', () => {
  it.each(CALCULATORS.map((one) => [one.id, one] as const))(
    '%s: opens with an example that works, has a source, and refuses nonsense beside its field',
    (_id, calculator) => {
      const outcome = evaluate(calculator, { texts: {}, units: {} });
      expect(outcome.problem).toBeNull();
      expect(outcome.lines!.length).toBeGreaterThan(0);
      for (const one of outcome.lines!) expect(one.value).not.toMatch(/NaN|undefined|Infinity/);
      expect(calculator.source.length).toBeGreaterThan(10);
      for (const field of calculator.fields.filter((one) => one.kind === 'number')) {
        expect(evaluate(calculator, { texts: { [field.id]: 'a lot' }, units: {} }).problem, field.id).toMatchObject({
          field: field.id,
        });
      }
    },
  );

  it('says what the published examples say', () => {
    // 1.45 %vol methane on a pentane scale (common practice).
    expect(line('lel', { volPercent: '1.45', relativeResponse: '2' }, 'Shown on this scale')).toBe('58');
    expect(line('lel', { volPercent: '14500', relativeResponse: '2' }, 'Shown on this scale', { volPercent: 'ppm' })).toBe('58');
    expect(line('lel', { volPercent: '2.5', source: 'IEC 60079-20-1' }, 'Shown on this scale')).toBe('56.818');
    // 29 CFR 1910.1000(d)(1)(ii).
    expect(line('twa', {}, 'Average')).toBe('81.25');
    // Benson and Krause 1984 at 0.9 atm.
    expect(line('oxygen', { pressureHPa: '911.925' }, 'Saturated water holds')).toBe('8.162');
    expect(line('standard-pressure', { altitudeM: '1500' }, 'Standard pressure')).toBe('845.56');
    // UNESCO 44 through GSW-Python.
    expect(line('salinity', { conductivityMsPerCm: '30', temperatureC: '10' }, 'Practical salinity')).toBe('26.859');
    expect(line('next-due', {}, 'Due')).toBe('2027-02-28');
  });

  it('reads a pasted trace: settled, T90, and where it will settle', () => {
    const outcome = evaluate(named('response'), { texts: {}, units: {} });
    const value = (label: string) => outcome.lines!.find((one) => one.label.startsWith(label))!.value;
    expect(value('Settled on')).toBe('50');
    // τ 9 s: T90 = 20.7 s (analysis); the display rounds to whole digits.
    expect(Math.abs(Number(value('T90')) - 20.7)).toBeLessThan(1.5);
    const [low, high] = value('Where it will settle').split(' … ').map(Number) as [number, number];
    expect(low).toBeLessThanOrEqual(50);
    expect(high).toBeGreaterThanOrEqual(50);
    expect(line('response', { samples: '0 0\n1 1' }, 'Where it will settle')).toBe('nothing said');
    expect(line('response', { samples: '0 0\n0 1' }, 'Settled on')).toContain('rise');
    expect(line('runs-out', {}, 'Runs out on')).toBe('2026-12-08');
    expect(line('runs-out', { availableL: '99' }, 'Runs out on')).toBe('lasts for all of it');
  });

  it('names the field that is out of range, in core’s words and units', () => {
    expect(evaluate(named('oxygen'), { texts: { temperatureC: '45' }, units: {} }).problem).toEqual({
      field: 'temperatureC',
      sentence: 'Out of range: must be a number from 0 to 40, got 45 (in °C).',
    });
    expect(evaluate(named('twa'), { texts: { exposures: '2 -150' }, units: {} }).problem).toMatchObject({
      field: 'exposures',
      sentence: expect.stringContaining('Line 1, level') as string,
    });
    expect(line('twa', { exposures: '2' }, 'Average')).toBe('Line 1 needs 2 entries (hours, level), it has 1.');
    // A comma is a point, unless it could part thousands.
    expect(evaluate(named('oxygen'), { texts: { temperatureC: '20,5' }, units: {} })).toEqual(
      evaluate(named('oxygen'), { texts: { temperatureC: '20.5' }, units: {} }),
    );
    expect(line('oxygen', { temperatureC: '20,500' }, '')).toContain('use a point');
    expect(line('nernst', { temperatureC: '' }, '')).toBe('Type a number.');
  });

  it('a link carries what was typed and chosen, and no more', () => {
    const entry = { texts: { volPercent: '14500', gas: 'C5H12' }, units: { volPercent: 'ppm' } };
    const query = toQuery(named('lel'), entry);
    expect(fromQuery(named('lel'), Object.fromEntries(new URLSearchParams(query)))).toEqual(entry);
    expect(fromQuery(named('lel'), { gas: 'plutonium', volPercent: '1', other: 'x', 'volPercent~unit': 'psi' })).toEqual({
      texts: { volPercent: '1' },
      units: {},
    });
    const table = { texts: { exposures: '1 2\n3 4' }, units: {} };
    expect(fromQuery(named('twa'), Object.fromEntries(new URLSearchParams(toQuery(named('twa'), table))))).toEqual(table);
  });
});
