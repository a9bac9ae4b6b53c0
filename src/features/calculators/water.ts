import { cellConstantFrom } from '@/core/conductivity/cell-constant';
import { displayConductivity, displayDissolvedSolids } from '@/core/conductivity/display-conductivity';
import { KCL_STANDARDS, kclStandard, type KclStandard } from '@/core/conductivity/kcl-standard';
import { naturalWaterTo25 } from '@/core/conductivity/natural-water';
import { practicalSalinity } from '@/core/conductivity/practical-salinity';
import { resistivity } from '@/core/conductivity/resistivity';
import { toReferenceTemperature } from '@/core/conductivity/to-reference-temperature';
import { mixedSaltSolids, totalDissolvedSolids } from '@/core/conductivity/total-dissolved-solids';
import { airCalibrationTarget, airPlausibility } from '@/core/oxygen/air-calibration';
import { oxygenPercentOfOneAtmosphere, oxygenSaturationPercent } from '@/core/oxygen/oxygen-saturation';
import { oxygenSolubility } from '@/core/oxygen/oxygen-solubility';
import { choice, figure, number, places, rows, type Calculator } from './calculator';

const TEMPERATURE = (initial: string) => number('temperatureC', 'Temperature', initial, ['°C', 'K']);
const PRESSURE = number('pressureHPa', 'Air pressure', '1013.25', ['hPa', 'kPa', 'mmHg', 'inHg']);
const CONDUCTIVITY = ['µS/cm', 'mS/cm', 'S/m'];

export const CONDUCTIVITY_CALCULATORS: Calculator[] = [
  {
    id: 'kcl',
    group: 'Conductivity',
    title: 'Standard at a temperature',
    words: 'potassium chloride 84 1413 12880',
    source: 'Handbook tables and bottle labels (memory). The lot’s own table overrides.',
    fields: [
      choice(
        'standard',
        'Standard',
        KCL_STANDARDS.map((id) => [id, `${id} µS/cm`]),
        '1413',
      ),
      TEMPERATURE('22'),
    ],
    compute: (v) => [
      {
        label: 'Value',
        value: figure(kclStandard({ standard: v.text('standard') as KclStandard, temperatureC: v.number('temperatureC') }), 5),
        unit: 'µS/cm',
      },
    ],
  },
  {
    id: 'reference-temperature',
    group: 'Conductivity',
    title: 'Refer to 25 °C',
    words: 'temperature compensation linear natural water alpha',
    source: 'ISO 7888:1985: linear with a coefficient; non-linear for natural waters (table from memory).',
    fields: [
      number('conductivity', 'Reading', '1278', CONDUCTIVITY),
      TEMPERATURE('20'),
      number('referenceC', 'Reference temperature', '25', ['°C']),
      number('alphaPercentPerC', 'Coefficient, %/°C', '1.91'),
    ],
    compute: (v) => {
      const [conductivity, temperatureC] = [v.number('conductivity'), v.number('temperatureC')];
      const linear = toReferenceTemperature({
        conductivity,
        temperatureC,
        referenceC: v.number('referenceC'),
        alphaPercentPerC: v.number('alphaPercentPerC'),
      });
      const natural = temperatureC >= 0 && temperatureC <= 35 ? naturalWaterTo25({ conductivity, temperatureC }) : null;
      return [
        { label: 'Linear', value: figure(linear, 5), unit: 'µS/cm' },
        natural === null
          ? { label: 'Natural water, to 25 °C', value: '—', note: 'Only from 0 to 35 °C.' }
          : { label: 'Natural water, to 25 °C', value: figure(natural, 4), unit: 'µS/cm' },
      ];
    },
  },
  {
    id: 'cell-constant',
    group: 'Conductivity',
    title: 'Cell constant',
    words: 'standards conductance',
    source: 'K = κ ÷ G; several standards by least squares on their relative deviations.',
    fields: [rows('readings', 'Standards', ['µS/cm', 'cell shows µS'], '84 83.5\n1413 1408\n12880 12870')],
    compute: (v) => {
      const readings = v.rows('readings').map(([standardUsPerCm, conductanceUs]) => ({
        standardUsPerCm: standardUsPerCm as number,
        conductanceUs: conductanceUs as number,
      }));
      const { cellConstant, deviationsPercent } = cellConstantFrom({ readings });
      return [
        { label: 'Cell constant', value: figure(cellConstant, 5), unit: '1/cm' },
        ...deviationsPercent.map((deviation, i) => ({
          label: `${figure(readings[i]!.standardUsPerCm)} µS/cm is off by`,
          value: places(deviation, 2),
          unit: '%',
        })),
      ];
    },
  },
  {
    id: 'salinity',
    group: 'Conductivity',
    title: 'Practical salinity',
    words: 'seawater pss-78 salt',
    source:
      'PSS-78 (UNESCO Technical Papers in Marine Science 44), low salinities after Hill et al. 1986; temperature on ITS-90.',
    fields: [
      number('conductivityMsPerCm', 'Conductivity, not compensated', '50', ['mS/cm', 'µS/cm', 'S/m']),
      TEMPERATURE('25'),
      number('pressureDbar', 'Sea pressure, dbar', '0'),
    ],
    compute: (v) => [
      {
        label: 'Practical salinity',
        value: places(
          practicalSalinity({
            conductivityMsPerCm: v.number('conductivityMsPerCm'),
            temperatureC: v.number('temperatureC'),
            pressureDbar: v.number('pressureDbar'),
          }),
          3,
        ),
      },
    ],
  },
  {
    id: 'solids',
    group: 'Conductivity',
    title: 'Dissolved solids and resistivity',
    words: 'tds ppm factor mixed salt display',
    source: 'Factor 0.5 or 0.7 and the mixed-salt curve through 731 = 500 and 1417 = 1000 ppm: common practice.',
    fields: [number('conductivityUsPerCm', 'Conductivity at 25 °C', '1417', CONDUCTIVITY), number('factor', 'Factor', '0.7')],
    compute: (v) => {
      const conductivityUsPerCm = v.number('conductivityUsPerCm');
      const shown = displayConductivity({ conductivityUsPerCm });
      const solids = displayDissolvedSolids({ ppm: totalDissolvedSolids({ conductivityUsPerCm, factor: v.number('factor') }) });
      return [
        { label: 'A meter shows', value: shown.value, unit: shown.unit },
        { label: 'Solids by factor', value: solids.value, unit: solids.unit },
        conductivityUsPerCm <= 3000
          ? { label: 'Solids by the mixed-salt curve', value: figure(mixedSaltSolids({ conductivityUsPerCm }), 4), unit: 'ppm' }
          : { label: 'Solids by the mixed-salt curve', value: '—', note: 'Known up to 3000 µS/cm.' },
        ...(conductivityUsPerCm > 0
          ? [{ label: 'Resistivity', value: figure(resistivity({ conductivityUsPerCm }), 4), unit: 'MΩ·cm' }]
          : []),
      ];
    },
  },
];

export const OXYGEN: Calculator[] = [
  {
    id: 'oxygen',
    group: 'Oxygen',
    title: 'Solubility and saturation',
    words: 'dissolved oxygen mg/L per cent do',
    source: 'Benson and Krause 1984, as in APHA 4500-O, with their pressure and salinity terms.',
    fields: [
      TEMPERATURE('20'),
      PRESSURE,
      number('salinity', 'Practical salinity', '0'),
      number('concentrationMgPerL', 'A meter shows', '8.2', ['mg/L', 'µg/L']),
    ],
    compute: (v) => {
      const water = { temperatureC: v.number('temperatureC'), salinity: v.number('salinity') };
      const pressureHPa = v.number('pressureHPa');
      const concentrationMgPerL = v.number('concentrationMgPerL');
      return [
        { label: 'Saturated water holds', value: places(oxygenSolubility({ ...water, pressureHPa }), 3), unit: 'mg/L' },
        {
          label: 'Of saturation at this pressure (local)',
          value: places(oxygenSaturationPercent({ ...water, pressureHPa, concentrationMgPerL }), 1),
          unit: '%',
        },
        {
          label: 'Of saturation at 1 atm',
          value: places(oxygenPercentOfOneAtmosphere({ ...water, concentrationMgPerL }), 1),
          unit: '%',
        },
      ];
    },
  },
  {
    id: 'air-calibration',
    group: 'Oxygen',
    title: 'Air calibration: target and plausibility',
    words: 'water-saturated moist air sleeve 100 % accept',
    source: 'Partial pressure of oxygen in moist air; band 88 to 110 % of what is expected: common practice.',
    fields: [
      TEMPERATURE('20'),
      PRESSURE,
      number('shownPercent', 'The meter shows, %', '97'),
      choice('scale', 'on the scale', [
        ['local', 'of local saturation'],
        ['oneAtm', 'of saturation at 1 atm'],
      ]),
    ],
    compute: (v) => {
      const place = { temperatureC: v.number('temperatureC'), pressureHPa: v.number('pressureHPa') };
      const target = airCalibrationTarget(place);
      const verdict = airPlausibility({
        ...place,
        shownPercent: v.number('shownPercent'),
        scale: v.text('scale') as 'local' | 'oneAtm',
      });
      return [
        {
          label: 'Plausible',
          value: verdict.plausible ? 'yes, accept' : 'no',
          state: verdict.plausible ? 'within' : 'outside',
          note: verdict.sentence,
        },
        { label: 'Target, local', value: '100', unit: '%' },
        { label: 'Target at 1 atm', value: places(target.percentOfOneAtm, 1), unit: '%' },
        { label: 'Target in fresh water', value: places(target.mgPerL, 2), unit: 'mg/L' },
      ];
    },
  },
];
