import { dryGasTarget } from '@/core/gas/dry-gas-target';
import { lelToVolPercent, volPercentToLel } from '@/core/gas/lel';
import { LEL_TABLE, lowerExplosiveLimit, type LelSource } from '@/core/gas/lel-table';
import { PID_FACTORS_10_6, pidConcentration } from '@/core/gas/pid-response';
import { mgPerM3ToPpm, molarVolume, ppmToMgPerM3 } from '@/core/gas/ppm-to-mg-per-m3';
import { shortTermExposure } from '@/core/gas/short-term-exposure';
import { standardPressure } from '@/core/gas/standard-pressure';
import { timeWeightedAverage } from '@/core/gas/time-weighted-average';
import { choice, figure, number, places, rows, type Calculator } from './calculator';

const PRESSURE = ['hPa', 'kPa', 'mmHg', 'psi', 'atm'];
const SOURCES: [string, string][] = [
  ['NFPA 497', 'NFPA 497'],
  ['IEC 60079-20-1', 'IEC 60079-20-1'],
];

/** Scales, concentrations and exposure. */
export const GAS: Calculator[] = [
  {
    id: 'lel',
    group: 'Gas',
    title: '%LEL from %vol',
    words: 'explosive combustible pentane scale span',
    source:
      'Definition of %LEL on a scale; LEL values of NFPA 497 and IEC 60079-20-1 (memory). Relative response 2 for methane on the usual pentane scale: common practice.',
    fields: [
      number('volPercent', 'Gas on the bottle', '2.5', ['%vol', 'ppm']),
      choice(
        'gas',
        'Gas',
        LEL_TABLE.map((entry) => [entry.gas, `${entry.name} (${entry.gas})`]),
        'CH4',
      ),
      choice('source', 'LEL after', SOURCES),
      number('relativeResponse', 'Relative response of the scale', '1', undefined, {
        help: '1: scale of the gas itself; 2: methane on a pentane scale',
      }),
    ],
    compute: (v) => {
      const lelVolPercent = lowerExplosiveLimit({ gas: v.text('gas'), source: v.text('source') as LelSource });
      const lel = volPercentToLel({
        volPercent: v.number('volPercent'),
        lelVolPercent,
        relativeResponse: v.number('relativeResponse'),
      });
      return [
        {
          label: 'Shown on this scale',
          value: figure(lel, 5),
          unit: '%LEL',
          ...(lel > 100 ? { note: 'Over 100 %LEL: above the range of the channel.' } : {}),
        },
        { label: '100 %LEL is', value: figure(lelVolPercent), unit: '%vol' },
      ];
    },
  },
  {
    id: 'vol-from-lel',
    group: 'Gas',
    title: '%vol from %LEL',
    source: 'Definition of %LEL on the scale of the gas itself.',
    fields: [number('lel', 'Reading', '50', ['%LEL']), number('lelVolPercent', 'LEL of the gas', '5', ['%vol'])],
    compute: (v) => [
      {
        label: 'Volume fraction',
        value: figure(lelToVolPercent({ lel: v.number('lel'), lelVolPercent: v.number('lelVolPercent') })),
        unit: '%vol',
      },
    ],
  },
  {
    id: 'mass-concentration',
    group: 'Gas',
    title: 'ppm and mg/m³',
    words: 'molar volume mass concentration',
    source: 'Ideal gas law, CODATA 2018 constants; factors agree with the NIOSH Pocket Guide (memory).',
    fields: [
      number('ppm', 'Volume fraction', '10', ['ppm', 'ppb', '%vol']),
      number('mgPerM3', 'and the other way: mass concentration', '14', ['mg/m³']),
      number('molarMass', 'Molar mass, g/mol', '34.08', undefined, {
        help: 'CO 28.01 · H₂S 34.08 · SO₂ 64.06 · Cl₂ 70.90 · NH₃ 17.03',
      }),
      number('temperatureC', 'Temperature', '25', ['°C', 'K']),
      number('pressureHPa', 'Pressure', '1013.25', PRESSURE),
    ],
    compute: (v) => {
      const state = { temperatureC: v.number('temperatureC'), pressureHPa: v.number('pressureHPa') };
      const molarMass = v.number('molarMass');
      return [
        {
          label: 'Mass concentration',
          value: figure(ppmToMgPerM3({ ppm: v.number('ppm'), molarMass, ...state }), 5),
          unit: 'mg/m³',
        },
        {
          label: 'The other way',
          value: figure(mgPerM3ToPpm({ mgPerM3: v.number('mgPerM3'), molarMass, ...state }), 5),
          unit: 'ppm',
        },
        { label: 'One mole fills', value: figure(molarVolume(state)), unit: 'L' },
      ];
    },
  },
  {
    id: 'standard-pressure',
    group: 'Gas',
    title: 'Pressure at an altitude',
    words: 'standard atmosphere height barometer',
    source: 'ISO 2533:1975, standard atmosphere. A barometer on the spot is better: weather moves it by ± 3 %.',
    fields: [number('altitudeM', 'Altitude', '270', ['m', 'ft'])],
    compute: (v) => [
      { label: 'Standard pressure', value: places(standardPressure({ altitudeM: v.number('altitudeM') }), 2), unit: 'hPa' },
    ],
  },
  {
    id: 'dry-gas',
    group: 'Gas',
    title: 'Dry-gas target of a breath tester',
    words: 'alcohol breath expected value pressure',
    source:
      'Partial pressure proportional to the air pressure; agrees with the label table (common practice). Within ± 0.005 counts as in tolerance, limits included.',
    fields: [
      number('nominal', 'Value on the bottle at 1 atm', '0.038'),
      number('pressureHPa', 'Air pressure', '981.2', PRESSURE),
      number('resolution', 'Step of the display', '0.001'),
    ],
    compute: (v) => {
      const target = dryGasTarget({
        nominal: v.text('nominal'),
        pressureHPa: v.number('pressureHPa'),
        resolution: v.text('resolution'),
      });
      const limit = (sign: number) => (Number(target) + sign * 0.005).toFixed(target.split('.')[1]?.length ?? 0);
      return [
        { label: 'It should show', value: target },
        { label: 'Accepted from … to', value: `${limit(-1)} … ${limit(1)}` },
      ];
    },
  },
  {
    id: 'pid',
    group: 'Gas',
    title: 'Vapour from an isobutylene reading',
    words: 'photoionisation response factor lamp pid voc',
    source: 'Response factors for a 10.6 eV lamp, typical of the trade (memory): the maker’s table of the model overrides.',
    fields: [
      number('reading', 'Reading', '100', ['ppm', 'ppb']),
      choice(
        'vapour',
        'Vapour',
        [...Object.entries(PID_FACTORS_10_6).map(([name, factor]): [string, string] => [String(factor), `${name} (${factor})`])],
        '0.53',
      ),
    ],
    compute: (v) => [
      {
        label: 'Concentration',
        value: figure(pidConcentration({ reading: v.number('reading'), factor: Number(v.text('vapour')) }), 4),
        unit: 'ppm',
      },
    ],
  },
  {
    id: 'twa',
    group: 'Gas',
    title: 'Time-weighted average',
    words: 'twa exposure shift eight hours',
    source: '29 CFR 1910.1000(d)(1). Whether a person may work there is decided by the site’s permit and local law.',
    fields: [
      rows('exposures', 'Exposure', ['hours', 'level'], '2 150\n2 75\n4 50'),
      number('referenceHours', 'Referred to', '8', ['h']),
    ],
    compute: (v) => {
      const exposures = v.rows('exposures').map(([hours, level]) => ({ hours: hours as number, level: level as number }));
      return [
        {
          label: 'Average',
          value: figure(timeWeightedAverage({ exposures, referenceHours: v.number('referenceHours') })),
          note: `${figure(exposures.reduce((sum, one) => sum + one.hours, 0))} h listed`,
        },
      ];
    },
  },
  {
    id: 'stel',
    group: 'Gas',
    title: 'Short-term exposure, 15 min',
    words: 'stel peak window',
    source:
      'Highest average over any 15 minutes (29 CFR 1910.1000; running maximum: common practice). A level holds until the next line.',
    fields: [rows('samples', 'Trace', ['minute', 'level'], '0 10\n12 60\n20 15\n40 0')],
    compute: (v) => {
      const samples = v.rows('samples').map(([minute, level]) => ({ seconds: (minute as number) * 60, value: level as number }));
      const found = shortTermExposure({ samples });
      return [
        { label: 'Highest 15 min average', value: figure(found.level, 5) },
        { label: 'from minute … to', value: `${figure(found.fromSeconds / 60)} … ${figure(found.toSeconds / 60)}` },
      ];
    },
  },
];
