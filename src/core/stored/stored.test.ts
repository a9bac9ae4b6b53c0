import { describe, expect, it } from 'vitest';
import { readModelChannels, readScale, readTolerance, readWaterTerms } from './channel';
import { readDueBasis } from './due-basis';
import { readEvery, readInspection, readSeries, readStandingSource } from './house';
import { readAcceptance, readComponents, readEquipmentDetail } from './reference';

const component = { substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2 };
const channel = {
  role: 'co',
  label: 'CO',
  measurand: 'carbon monoxide',
  unit: 'ppm',
  resolution: '1',
  lowest: '0',
  highest: '500',
  tolerance: { absolute: '5' },
};
const on = '2026-11-26';
const study = { kind: 'study', text: 'x', on, by: 'T', n: 20, dof: 18 };

/** Each reader with what it gives back untouched, and what it refuses. */
const CASES: [name: string, read: (stored: unknown) => unknown, good: unknown[], bad: unknown[]][] = [
  [
    'tolerance',
    readTolerance,
    [{}, { absolute: '2', zero: '1' }],
    [{ absolut: '2' }, { absolute: 2 }, { absolute: '2,5' }, null, 'x'],
  ],
  [
    'scale',
    readScale,
    [{ lelVolPercent: '5', relativeResponse: '1', source: 's' }],
    [{ lelVolPercent: '5' }, { lelVolPercent: 5 }],
  ],
  [
    'water terms',
    readWaterTerms,
    [
      {},
      { solids: { factor: '0.5' } },
      { solids: { curve: 'mixedSalt' } },
      { compensation: { referenceC: '25', percentPerC: '1.9' }, saturation: 'local', charge: '-1' },
    ],
    [{ solids: { factor: '0.5', curve: 'mixedSalt' } }, { saturation: 'here' }, { compensation: {} }],
  ],
  [
    'channels',
    readModelChannels,
    [[], [channel], [{ ...channel, coefficients: { pressurePercentPerHPa: '0.1' } }]],
    [[{ ...channel, measurand: 'phlogiston' }], [{ ...channel, resolution: 1 }], [{ ...channel, colour: 'red' }], {}, [null]],
  ],
  [
    'components',
    readComponents,
    [
      [],
      [component],
      [
        {
          ...component,
          table: [
            [20, 1.5],
            [25, 1.6],
          ],
          corrections: [[20, 0.1]],
        },
      ],
    ],
    [
      [{ ...component, k: 0 }],
      [{ ...component, value: '100 ppm' }],
      [{ ...component, table: [[20]] }],
      [{ ...component, table: [[20, '1']] }],
    ],
  ],
  ['equipment', readEquipmentDetail, [{}, { flowLPerMin: '0.5', demand: true }], [{ flow: '0.5' }, { demand: 'yes' }]],
  [
    'acceptance',
    readAcceptance,
    [{ on, by: 'T', note: '' }],
    [
      { on: 'today', by: 'T', note: '' },
      { on, by: 'T' },
    ],
  ],
  ['interval', readEvery, [{ days: 90 }, { months: 6 }], [{ months: 0 }, { months: 6, days: 1 }, { weeks: 2 }, { days: 1.5 }]],
  [
    'due basis',
    readDueBasis,
    [
      { from: on, reason: 'r' },
      { from: on, reason: 'r', certificate: 'C-1' },
    ],
    [{ from: on }, { from: '3 Feb', reason: 'r' }, { from: on, reason: '' }, { from: on, reason: 'r', colour: 'red' }],
  ],
  [
    'inspection',
    readInspection,
    [{}, { case: { result: 'fault', note: 'crack' } }],
    [{ case: { result: 'bad' } }, { case: null }, { case: { result: 'pass', note: 1 } }],
  ],
  [
    'source',
    readStandingSource,
    [{ kind: 'practice' }, { kind: 'published', text: 'x' }, { kind: 'confirmed', text: 'x', on, by: 'S' }, study],
    [{ kind: 'rumour' }, { kind: 'confirmed', text: 'x' }, { ...study, n: 0 }, { kind: 'practice', text: 'x' }],
  ],
  ['series', readSeries, [[['1', '2']], []], [[[1]], [['1 2']], ['1']]],
];

describe('stored JSON is its type or an error', () => {
  it.each(CASES)('%s', (_name, read, good, bad) => {
    for (const one of good) expect(read(one)).toEqual(one);
    for (const one of bad) expect(() => read(one), JSON.stringify(one)).toThrow(RangeError);
  });
});
