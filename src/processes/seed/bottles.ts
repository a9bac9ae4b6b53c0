import { addDays, addMonths, endOfMonth, format, subMonths } from 'date-fns';
import type { MaterialComponent } from '@/core/record/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { reference } from '@/data/schema';
import { liquids, openedLiquids } from './liquids';

const part = (substance: string, value: string, unit: string, expanded: string): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded,
  k: 2,
});
const acceptedOn = (on: Date, note: string) => ({ on: iso(on), by: 'Tam Verrick', note });
const iso = (date: Date) => format(date, 'yyyy-MM-dd');
const FOUR = [
  part('O2', '18.0', '%vol', '0.2'),
  part('CH4', '2.50', '%vol', '0.05'),
  part('H2S', '25.0', 'ppm', '0.8'),
  part('CO', '100', 'ppm', '2'),
];
/** The supplier's other mix: what a workshop goes on with when the first bottle is empty. */
const FOUR_OTHER = [
  part('O2', '17.0', '%vol', '0.2'),
  part('CH4', '2.20', '%vol', '0.05'),
  part('H2S', '20.0', 'ppm', '0.7'),
  part('CO', '60', 'ppm', '1.5'),
];
const SIMULANT = [
  part('O2', '15.0', '%vol', '0.2'),
  part('CH4', '1.45', '%vol', '0.03'),
  part('H2S', '20.0', 'ppm', '0.6'),
  part('CO', '60', 'ppm', '1.2'),
  part('SO2', '5.0', 'ppm', '0.3'),
];
const MONOXIDE = [part('CO', '100', 'ppm', '2'), part('O2', '20.9', '%vol', '0.2')];
const DIOXIDE = [part('CO2', '5000', 'ppm', '100')];
const BREATHING = [
  part('CO2', '5.00', '%vol', '0.03'),
  part('O2', '40.00', '%vol', '0.30'),
  part('N2O', '50.00', '%vol', '0.50'),
  part('agent', '2.00', '%vol', '0.04'),
];
const DRY_GAS = [part('C2H5OH', '0.038', 'g/210 L', '0.0008')];
const HYDROGEN = [part('H2', '100', 'ppm', '2'), part('O2', '20.9', '%vol', '0.2')];

const TRACED = 'Calibrated at an accredited laboratory, traceable to the SI';
const LABORATORY = 'Sillmere Calibration';

/** The shelf: one working bottle of a kind for every eight months of the history, and today's oddities (an expired one, an empty one, a recalled lot, a mix without oxygen). */
export async function stockShelf(tx: Transaction, now: Date): Promise<void> {
  const rows: (typeof reference.$inferInsert)[] = [];
  const gas = (
    name: string,
    lot: string,
    components: MaterialComponent[],
    from: Date,
    good: Date,
    rest: Partial<typeof reference.$inferInsert> = {},
  ) =>
    rows.push({
      kind: 'gas',
      name,
      maker: 'Vantling',
      lot,
      components,
      balance: 'N2',
      expires: iso(endOfMonth(good)),
      certificate: `VG-${lot}`,
      traceability: 'Gravimetric, traceable to the SI through the supplier’s accredited laboratory',
      issuer: 'Vantling Gases, calibration laboratory',
      accepted: acceptedOn(from, 'seal, label and certificate agree; compared with the bottle in use'),
      waterVolumeL: '10',
      pressureBar: '100',
      price: '310',
      fitting: 'C10',
      partNumber: `VG-${components.length}`,
      createdAt: from,
      ...rest,
    });
  for (let age = 28, lot = 1; age >= 4; age -= 8, lot += 1) {
    const from = subMonths(now, age);
    gas('Four-gas mix', `FG-${1100 + lot * 37}`, FOUR, from, addMonths(from, 18));
    gas('Four-gas mix 20/60', `FH-${1200 + lot * 31}`, FOUR_OTHER, from, addMonths(from, 18));
    gas('Five-gas mix, pentane simulant', `PS-${2200 + lot * 41}`, SIMULANT, from, addMonths(from, 18));
    gas('Hydrogen in air', `HB-${3300 + lot * 29}`, HYDROGEN, from, addMonths(from, 20), {
      maker: 'Brisenal',
      waterVolumeL: '2',
      pressureBar: '60',
      balance: 'air',
      price: '140',
    });
    rows.push(...liquids(from, lot));
  }
  const small = { waterVolumeL: '0.5', pressureBar: '69', price: '95' };
  gas('Four-gas mix, hand bottle', 'FG-1402', FOUR, subMonths(now, 3), addMonths(now, 5), small);
  gas('Four-gas mix, hand bottle', 'FG-1377', FOUR, subMonths(now, 14), subMonths(now, 1), small);
  gas('Four-gas mix, hand bottle', 'FG-1391', FOUR, subMonths(now, 9), addMonths(now, 2), { ...small, pressureBar: '1' });
  gas('Four-gas mix', 'FG-1388', FOUR, subMonths(now, 6), addMonths(now, 8), { recalled: 'H2S found 12 % low by the supplier' });
  gas('Methane in nitrogen', 'MN-0711', [part('CH4', '2.50', '%vol', '0.05')], subMonths(now, 5), addMonths(now, 20), {
    waterVolumeL: '2',
  });
  const recent = subMonths(now, 4);
  gas('Carbon monoxide in air', 'CM-0440', MONOXIDE, recent, addMonths(now, 14), {
    ...small,
    balance: 'air',
    partNumber: 'VG-CO100',
  });
  gas('Carbon dioxide in nitrogen', 'CD-0512', DIOXIDE, recent, addMonths(now, 20), { ...small, partNumber: 'VG-CO2' });
  gas('Breathing-gas mix', 'BG-0077', BREATHING, recent, addMonths(now, 10), {
    maker: 'Brisenal',
    waterVolumeL: '2',
    pressureBar: '80',
    price: '420',
    partNumber: 'BN-MIX4',
  });
  gas('Dry gas, ethanol', 'DG-0038', DRY_GAS, recent, addMonths(now, 16), { ...small, maker: 'Brisenal', partNumber: 'BN-038' });
  rows.push(...equipment(now), ...openedLiquids(now));
  rows.push({
    kind: 'tool',
    role: 'flowMeter',
    name: 'Flow meter',
    maker: 'Sillmere',
    lot: 'SM-F-0093',
    components: [part('flow', '0.5', 'L/min', '0.02')],
    expires: iso(addDays(now, 140)),
    certificate: 'SM-F-0093/2',
    traceability: TRACED,
    issuer: LABORATORY,
    accepted: acceptedOn(subMonths(now, 20), 'compared with the flow meter in use'),
    createdAt: subMonths(now, 20),
  });
  await tx.insert(reference).values(rows);
}

/** Regulators, tubes, scrubbers and what the bench measures with; one is overdue, one spent. */
function equipment(now: Date): (typeof reference.$inferInsert)[] {
  const since = subMonths(now, 14);
  const tool = (
    role: NonNullable<(typeof reference.$inferInsert)['role']>,
    name: string,
    lot: string,
    rest: Partial<typeof reference.$inferInsert> = {},
  ): typeof reference.$inferInsert => ({
    kind: 'tool',
    role,
    name,
    lot,
    maker: 'Vantling',
    components: [],
    expires: iso(addMonths(now, 7)),
    createdAt: since,
    ...rest,
  });
  const measuring = (certificate: string): Partial<typeof reference.$inferInsert> => ({
    maker: 'Sillmere',
    certificate,
    issuer: LABORATORY,
    traceability: TRACED,
    accepted: acceptedOn(subMonths(now, 29), 'compared with the one in use before'),
    createdAt: subMonths(now, 30),
  });
  const screwed = 'Valve closed while screwing on; off when not in use, dust cap on.';
  return [
    tool('regulator', 'Regulator 0.5 L/min', 'RG-051', { detail: { flowLPerMin: '0.5', fitting: 'C10', handling: screwed } }),
    tool('regulator', 'Regulator 0.3 L/min', 'RG-031', { detail: { flowLPerMin: '0.3', fitting: 'C10', handling: screwed } }),
    tool('regulator', 'Demand regulator', 'RG-D02', {
      detail: { demand: true, fitting: 'C10', handling: 'Nothing to open: it gives what the pump draws.' },
    }),
    tool('regulator', 'Regulator 1.5 L/min', 'RG-151', {
      expires: iso(subMonths(now, 1)),
      detail: { flowLPerMin: '1.5', fitting: 'C10', handling: 'Push-button: purge 3 to 4 s, pointed away from people.' },
    }),
    tool('tube', 'Tube with cup', 'TB-04', { expires: null, detail: { lengthCm: '40', fitting: 'luer' } }),
    tool('scrubber', 'Carbon dioxide scrubber', 'SC-11', {
      components: [part('CO2 scrubber', '1', '1', '0')],
      expires: iso(addMonths(now, 5)),
    }),
    tool('scrubber', 'Carbon dioxide scrubber', 'SC-09', {
      components: [part('CO2 scrubber', '1', '1', '0')],
      state: 'spent',
      expires: iso(addMonths(now, 1)),
    }),
    tool('zeroTube', 'Zero tube, charcoal', 'ZT-03', {
      components: [part('charcoal', '1', '1', '0')],
      expires: iso(addMonths(now, 4)),
    }),
    tool('barometer', 'Barometer', 'SM-B-0021', {
      ...measuring('SM-B-0021/4'),
      components: [
        {
          ...part('pressure', '1', 'hPa', '0.5'),
          corrections: [
            [900, 0.4],
            [1000, 0.2],
            [1050, 0.1],
          ],
        },
      ],
    }),
    tool('hygrometer', 'Thermo-hygrometer', 'SM-H-0034', {
      ...measuring('SM-H-0034/2'),
      components: [part('humidity', '1', '%', '2.5'), part('temperature', '1', '°C', '0.3')],
    }),
    // Just back from the laboratory, and not looked at yet: it may not be used before.
    tool('hygrometer', 'Thermo-hygrometer', 'SM-H-0041', {
      ...measuring('SM-H-0041/1'),
      accepted: null,
      components: [part('humidity', '1', '%', '2.0'), part('temperature', '1', '°C', '0.3')],
      createdAt: subMonths(now, 1),
    }),
    tool('thermometer', 'Thermometer', 'SM-T-0112', {
      ...measuring('SM-T-0112/3'),
      components: [
        {
          ...part('temperature', '1', '°C', '0.1'),
          corrections: [
            [0, 0.04],
            [20, -0.02],
            [25, -0.03],
            [60, -0.07],
          ],
        },
      ],
      expires: iso(addMonths(now, 6)),
    }),
    tool('thermometer', 'Thermometer', 'SM-T-0107', {
      ...measuring('SM-T-0107/2'),
      components: [part('temperature', '1', '°C', '0.1')],
      expires: iso(subMonths(now, 1)),
    }),
  ];
}
