import { describe, expect, it } from 'vitest';
import { SERVICES } from './service';
import { readTraits, traitsOfWords } from './traits';

describe('traits of a model', () => {
  it('read as stored, and nothing that no model can have', () => {
    const traits = { pumped: true, drawsLPerMin: '0.25', stores: 'dry', readyDays: 120, schools: { points: 'one' } } as const;
    expect(readTraits(traits)).toEqual(traits);
    expect(readTraits({})).toEqual({});
    for (const bad of [
      { pumpd: true },
      { pumped: false },
      { drawsLPerMin: 0.5 },
      { stores: 'damp' },
      { readyDays: 0 },
      { schools: { points: 1 } },
      ['pumped'],
      'pumped',
      null,
    ])
      expect(() => readTraits(bad), JSON.stringify(bad)).toThrow(RangeError);
  });
  it('the words of older runs say the same; a word that said nothing is dropped', () => {
    expect(
      traitsOfWords(['part:cell', 'analogue-pair', 'stores-dry', 'draws-0.3', 'ready-days-120', 'points:two', 'drying:dab', 'x']),
    ).toEqual({
      part: 'cell',
      analoguePair: true,
      stores: 'dry',
      drawsLPerMin: '0.3',
      readyDays: 120,
      schools: { points: 'two', drying: 'dab' },
    });
  });
  it('a service is one of those on the list', () => {
    expect(SERVICES).toContain('asFoundOnly');
    expect(SERVICES).not.toContain('As found only');
  });
});
