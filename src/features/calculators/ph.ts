import { BUFFER_IDS, bufferValue, type BufferId } from '@/core/ph/buffer-value';
import { electrodeCondition } from '@/core/ph/electrode-condition';
import { fitElectrode } from '@/core/ph/fit-electrode';
import { nernstSlope } from '@/core/ph/nernst-slope';
import { phFromMillivolts } from '@/core/ph/ph-from-millivolts';
import { recogniseBuffer } from '@/core/ph/recognise-buffer';
import { choice, figure, number, places, rows, type Calculator } from './calculator';

const NAMES: Record<string, string> = { 'phosphate-physiological': 'phosphate 1:3.5' };
const BUFFERS = BUFFER_IDS.map((id): [string, string] => [id, NAMES[id] ?? id.replace('technical-', 'technical ')]);
const SETS: Record<string, BufferId[]> = {
  technical: ['technical-4.01', 'technical-7.00', 'technical-10.01'],
  primary: ['tetroxalate', 'phthalate', 'phosphate', 'borax', 'carbonate'],
};
const STATE = { good: 'within', caution: 'cannotTell', fail: 'outside' } as const;
const WORD = { good: 'good', caution: 'caution', fail: 'not usable' } as const;
const TEMPERATURE = number('temperatureC', 'Temperature', '25', ['°C', 'K']);

export const PH: Calculator[] = [
  {
    id: 'electrode',
    group: 'pH',
    title: 'Electrode: slope, offset, condition',
    words: 'calibration points buffers millivolt slope zero point',
    source:
      'Nernst equation, CODATA 2018; bracketing after IUPAC 2002 (Buck et al.). Caution under 95 %, offset ± 30 mV: common practice; fail under 90 or over 105 %: memory.',
    fields: [
      rows('points', 'Buffers', ['pH', 'mV', '°C'], '7.00 3 25\n4.01 174 25\n10.01 -168 25'),
      number('millivolts', 'A sample shows', '120', ['mV']),
      number('temperatureC', 'at', '25', ['°C', 'K']),
    ],
    compute: (v) => {
      const electrode = fitElectrode({
        points: v.rows('points').map(([pH, millivolts, temperatureC]) => ({
          pH: pH as number,
          millivolts: millivolts as number,
          temperatureC: temperatureC as number,
        })),
      });
      const { condition, reasons } = electrodeCondition({ electrode });
      const usable = electrode.segments.every((segment) => segment.slopePercent > 0);
      return [
        {
          label: 'Condition',
          value: WORD[condition],
          state: STATE[condition],
          note: reasons
            .filter((reason) => reason.condition === condition && condition !== 'good')
            .map((reason) => reason.sentence)
            .join(' '),
        },
        ...electrode.segments.map((segment) => ({
          label: `Slope, pH ${figure(segment.fromPH)} to ${figure(segment.toPH)}`,
          value: `${places(segment.slopePercent, 1)} %`,
          unit: `${places(segment.slopeMvPerPH, 2)} mV/pH`,
        })),
        { label: 'Offset at pH 7', value: places(electrode.offsetMv, 1), unit: 'mV' },
        ...(electrode.zeroPointPH === null ? [] : [{ label: 'Zero point', value: places(electrode.zeroPointPH, 2), unit: 'pH' }]),
        ...(usable
          ? [
              {
                label: 'The sample has',
                value: places(
                  phFromMillivolts({ electrode, millivolts: v.number('millivolts'), temperatureC: v.number('temperatureC') }),
                  2,
                ),
                unit: 'pH',
              },
            ]
          : []),
      ];
    },
  },
  {
    id: 'buffer',
    group: 'pH',
    title: 'Buffer at a temperature',
    words: 'phthalate phosphate borax carbonate technical 4.01 7.00 10.01',
    source:
      'IUPAC Recommendations 2002 / DIN 19266 (memory); technical buffers: typical bottle label (memory). The lot’s own table overrides.',
    fields: [choice('buffer', 'Buffer', BUFFERS, 'technical-7.00'), TEMPERATURE],
    compute: (v) => [
      {
        label: 'Value',
        value: places(
          bufferValue({ buffer: v.text('buffer') as BufferId, temperatureC: v.number('temperatureC') }),
          v.text('buffer').startsWith('technical') ? 2 : 3,
        ),
        unit: 'pH',
      },
    ],
  },
  {
    id: 'recognise',
    group: 'pH',
    title: 'Which buffer is this?',
    words: 'recognise millivolt automatic',
    source: 'Nernst equation; a plausible electrode lies within ± 30 mV and 90 to 105 % (common practice, memory).',
    fields: [
      number('millivolts', 'It shows', '171', ['mV']),
      TEMPERATURE,
      choice('set', 'Set in use', [
        ['technical', 'technical 4.01, 7.00, 10.01'],
        ['primary', 'primary (DIN 19266)'],
      ]),
    ],
    compute: (v) => {
      const found = recogniseBuffer({
        millivolts: v.number('millivolts'),
        temperatureC: v.number('temperatureC'),
        set: SETS[v.text('set')]!,
      });
      return [
        found
          ? { label: 'Recognised', value: found.buffer.replace('technical-', 'technical '), unit: `pH ${places(found.pH, 3)}` }
          : {
              label: 'Recognised',
              value: 'none',
              state: 'cannotTell',
              note: 'None fits, or two do: wrong buffer, tired electrode, or wrong sign.',
            },
      ];
    },
  },
  {
    id: 'nernst',
    group: 'pH',
    title: 'Theoretical slope',
    words: 'nernst millivolt per pH',
    source: 'ln 10 · R · T ÷ F, CODATA 2018.',
    fields: [TEMPERATURE],
    compute: (v) => [
      { label: 'Slope', value: places(nernstSlope({ temperatureC: v.number('temperatureC') }), 3), unit: 'mV/pH' },
    ],
  },
];
