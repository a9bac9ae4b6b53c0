import type { MaterialComponent, ReferenceSnapshot } from '@/core/record/reference-snapshot';

const part = (
  substance: string,
  value: string,
  unit: string,
  expanded: string,
  rest: Partial<MaterialComponent> = {},
): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded,
  k: 2,
  ...rest,
});
const traced = (certificate: string, issuer: string) => ({
  certificate,
  issuer,
  traceability: 'Traceable to the SI through an accredited laboratory',
  accepted: { on: '2026-09-01', by: 'Tam Verrick' },
  expires: '2027-12-31',
});
const gas = (lot: string, name: string, components: MaterialComponent[], balance = 'N2'): ReferenceSnapshot => ({
  id: `gas-${lot}`,
  kind: 'gas',
  name,
  lot,
  components,
  balance,
  availableL: '400',
  ...traced(`VG-${lot}`, 'Vantling Gases, calibration laboratory'),
});
const liquid = (
  kind: 'buffer' | 'standard',
  substance: string,
  value: string,
  unit: string,
  expanded: string,
  rest: Partial<MaterialComponent> = {},
): ReferenceSnapshot => ({
  id: `liquid-${substance}`,
  kind,
  name: kind === 'buffer' ? `Buffer ${value}` : `Standard ${value} ${unit}`,
  lot: `L-${substance}`,
  components: [part(substance, value, unit, expanded, rest)],
  detail: { doseMl: '30', volumeMl: '5000' },
  ...traced(`PS-${substance}`, 'Peregrith Standards'),
});
const tool = (
  role: ReferenceSnapshot['role'],
  lot: string,
  name: string,
  components: MaterialComponent[],
  measuring = true,
): ReferenceSnapshot => ({
  id: `tool-${lot}`,
  kind: 'tool',
  role,
  name,
  lot,
  components,
  ...(measuring ? traced(`${lot}/4`, 'Sillmere Calibration') : { expires: '2027-12-31' }),
});

/** The shelf of the samples: invented, as the demo's. */
export const SHELF = {
  four: gas('FG-1402', 'Four-gas mix', [
    part('O2', '18.0', '%vol', '0.2'),
    part('CH4', '2.50', '%vol', '0.05'),
    part('H2S', '25.0', 'ppm', '0.8'),
    part('CO', '100', 'ppm', '2'),
  ]),
  fourOther: gas('FH-1262', 'Four-gas mix 20/60', [
    part('O2', '17.0', '%vol', '0.2'),
    part('CH4', '2.20', '%vol', '0.05'),
    part('H2S', '20.0', 'ppm', '0.7'),
    part('CO', '60', 'ppm', '1.5'),
  ]),
  simulant: gas('PS-2364', 'Five-gas mix, pentane simulant', [
    part('O2', '15.0', '%vol', '0.2'),
    part('CH4', '1.45', '%vol', '0.03'),
    part('H2S', '20.0', 'ppm', '0.6'),
    part('CO', '60', 'ppm', '1.2'),
    part('SO2', '5.0', 'ppm', '0.3'),
  ]),
  dioxide: gas('CD-0512', 'Carbon dioxide in nitrogen', [part('CO2', '5000', 'ppm', '100')]),
  breathing: gas(
    'BG-0077',
    'Breathing-gas mix',
    [
      part('CO2', '5.00', '%vol', '0.03'),
      part('O2', '40.00', '%vol', '0.30'),
      part('N2O', '50.00', '%vol', '0.50'),
      part('agent', '2.00', '%vol', '0.04'),
    ],
    '',
  ),
  dry: gas('DG-0038', 'Dry gas, ethanol', [part('C2H5OH', '0.038', 'g/210 L', '0.0008')]),
  hydrogen: gas('HB-3416', 'Hydrogen in air', [part('H2', '100', 'ppm', '2'), part('O2', '20.9', '%vol', '0.2')], 'air'),
  scrubber: tool('scrubber', 'SC-11', 'Carbon dioxide scrubber', [part('CO2 scrubber', '1', '1', '0')], false),
  zeroTube: tool('zeroTube', 'ZT-03', 'Zero tube, charcoal', [part('charcoal', '1', '1', '0')], false),
} as const;

export const LIQUIDS: ReferenceSnapshot[] = [
  liquid('buffer', 'technical-4.01', '4.01', 'pH', '0.02'),
  liquid('buffer', 'technical-7.00', '7.00', 'pH', '0.02'),
  liquid('buffer', 'technical-10.01', '10.01', 'pH', '0.03'),
  liquid('standard', 'kcl-84', '84', 'µS/cm', '1'),
  liquid('standard', 'kcl-1413', '1413', 'µS/cm', '7'),
  liquid('standard', 'kcl-12880', '12.88', 'mS/cm', '0.06'),
  liquid('standard', 'salt-731', '731', 'µS/cm', '5', {
    table: [
      [15, 584.8],
      [20, 657.9],
      [25, 731],
      [30, 804.1],
    ],
  }),
  liquid('standard', 'salt-1417', '1417', 'µS/cm', '8', {
    table: [
      [15, 1133.6],
      [20, 1275.3],
      [25, 1417],
      [30, 1558.7],
    ],
  }),
  liquid('standard', 'redox-220', '220', 'mV', '5', {
    table: [
      [20, 224],
      [25, 220],
    ],
  }),
  liquid('standard', 'fluoride-1', '1.00', 'mg/L', '0.02'),
  liquid('standard', 'fluoride-10', '10.00', 'mg/L', '0.1'),
];

export const ROOM: ReferenceSnapshot[] = [
  tool('thermometer', 'SM-T-0112', 'Thermometer', [
    part('temperature', '1', '°C', '0.1', {
      corrections: [
        [0, 0.04],
        [20, -0.02],
        [25, -0.03],
        [60, -0.07],
      ],
    }),
  ]),
  tool('hygrometer', 'SM-H-0034', 'Thermo-hygrometer', [
    part('humidity', '1', '%', '2.5'),
    part('temperature', '1', '°C', '0.3'),
  ]),
  tool('barometer', 'SM-B-0021', 'Barometer', [part('pressure', '1', 'hPa', '0.5')]),
];
