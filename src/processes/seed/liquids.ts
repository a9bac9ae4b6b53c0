import { addMonths, endOfMonth, format, subDays, subMonths } from 'date-fns';
import type { EquipmentDetail, MaterialComponent } from '@/core/record/reference-snapshot';
import type { reference } from '@/data/schema';

type Row = typeof reference.$inferInsert;
const iso = (date: Date) => format(date, 'yyyy-MM-dd');
const part = (
  substance: string,
  value: string,
  unit: string,
  expanded: string,
  table?: [number, number][],
): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded,
  k: 2,
  ...(table ? { table } : {}),
});
const salt = (at25: number): [number, number][] =>
  [15, 20, 25, 30].map((t) => [t, Math.round(at25 * (1 + 0.02 * (t - 25)) * 10) / 10]);

/** Name, short lot, components, maker. Tables are as printed on a label of the demo, invented. */
const KINDS: [kind: 'buffer' | 'standard', name: string, lot: string, components: MaterialComponent[], maker: string][] = [
  ['buffer', 'Buffer 4.01', 'PB-401', [part('technical-4.01', '4.01', 'pH', '0.02')], 'Peregrith'],
  ['buffer', 'Buffer 7.00', 'PB-700', [part('technical-7.00', '7.00', 'pH', '0.02')], 'Peregrith'],
  ['buffer', 'Buffer 10.01', 'PB-1001', [part('technical-10.01', '10.01', 'pH', '0.03')], 'Peregrith'],
  ['standard', 'Conductivity 84 µS/cm', 'PC-84', [part('kcl-84', '84', 'µS/cm', '1')], 'Peregrith'],
  ['standard', 'Conductivity 1413 µS/cm', 'PC-1413', [part('kcl-1413', '1413', 'µS/cm', '7')], 'Peregrith'],
  ['standard', 'Conductivity 12.88 mS/cm', 'PC-12880', [part('kcl-12880', '12.88', 'mS/cm', '0.06')], 'Peregrith'],
  ['standard', 'Mixed salt 731 µS/cm', 'SC-731', [part('salt-731', '731', 'µS/cm', '5', salt(731))], 'Sillmere'],
  ['standard', 'Mixed salt 1417 µS/cm', 'SC-1417', [part('salt-1417', '1417', 'µS/cm', '8', salt(1417))], 'Sillmere'],
  [
    'standard',
    'Quick solution 6.86 / 5.0',
    'SQ-686',
    [part('phosphate', '6.86', 'pH', '0.02'), part('ec-5000', '5000', 'µS/cm', '50', salt(5000))],
    'Sillmere',
  ],
  [
    'standard',
    'Redox standard 220 mV',
    'PR-220',
    [
      part('redox-220', '220', 'mV', '5', [
        [10, 231],
        [20, 224],
        [25, 220],
        [30, 216],
      ]),
    ],
    'Peregrith',
  ],
  ['standard', 'Fluoride 1 mg/L', 'PF-1', [part('fluoride-1', '1.00', 'mg/L', '0.02')], 'Peregrith'],
  ['standard', 'Fluoride 10 mg/L', 'PF-10', [part('fluoride-10', '10.00', 'mg/L', '0.1')], 'Peregrith'],
  ['standard', 'Formazin 20 NTU', 'SF-20', [part('formazin-20', '20.0', 'NTU', '0.4')], 'Sillmere'],
  ['standard', 'Formazin 100 NTU', 'SF-100', [part('formazin-100', '100.0', 'NTU', '1.5')], 'Sillmere'],
];
const BOTTLE: EquipmentDetail = { volumeMl: '2500', doseMl: '30', lifeDays: '184' };

/** One lot of every buffer and standard for some eight months of the history; opened when it came. */
export function liquids(from: Date, lot: number): Row[] {
  return KINDS.map(([kind, name, short, components, maker]) => ({
    kind,
    name,
    maker,
    lot: `${short}-${lot}`,
    components,
    expires: iso(endOfMonth(addMonths(from, 16))),
    certificate: `${short}-${lot}/C`,
    traceability:
      kind === 'buffer' ? 'Traceable to primary buffers' : 'Traceable to the SI through the supplier’s accredited laboratory',
    issuer: `${maker} Standards`,
    accepted: { on: iso(from), by: 'Tam Verrick', note: 'seal and label; compared with the lot in use' },
    price: '12',
    detail: { ...BOTTLE, volumeMl: '5000', lifeDays: '500', nominal: components[0]!.value },
    openedOn: iso(from),
    createdAt: from,
  }));
}

/** What stands open on the bench now, a bottle past its life after opening, single doses, and what probes are kept and cleaned with. */
export function openedLiquids(now: Date): Row[] {
  const since = subMonths(now, 3);
  const fresh = (index: number, lot: string, opened: Date, detail: EquipmentDetail = BOTTLE): Row => {
    const [kind, name, , components, maker] = KINDS[index]!;
    return {
      kind,
      name,
      maker,
      lot,
      components,
      expires: iso(endOfMonth(addMonths(now, 14))),
      certificate: `${lot}/C`,
      traceability:
        kind === 'buffer' ? 'Traceable to primary buffers' : 'Traceable to the SI through the supplier’s accredited laboratory',
      issuer: `${maker} Standards`,
      accepted: { on: iso(opened), by: 'Tam Verrick', note: 'seal and label; compared with the lot in use' },
      price: '14',
      detail: { ...detail, nominal: components[0]!.value },
      openedOn: iso(opened),
      createdAt: since,
    };
  };
  const solution = (role: 'storage' | 'cleaning' | 'electrolyte' | 'membrane', name: string, lot: string): Row => ({
    kind: 'solution',
    role,
    name,
    maker: 'Peregrith',
    lot,
    components: [],
    expires: iso(endOfMonth(addMonths(now, 11))),
    detail: { volumeMl: '250', doseMl: '5' },
    createdAt: since,
  });
  return [
    ...KINDS.map((kind, index) => fresh(index, `${kind[2]}-N1`, subDays(now, 20))),
    fresh(0, 'PB-401-X', subDays(now, 200)),
    {
      ...fresh(1, 'PB-700-S', since, { singleDose: true, volumeMl: '600', doseMl: '20' }),
      openedOn: null,
      name: 'Buffer 7.00, sachets',
    },
    solution('storage', 'Storage solution', 'PS-3M-2'),
    solution('cleaning', 'Cleaning solution, pepsin', 'PS-CL-1'),
    solution('electrolyte', 'Oxygen electrolyte', 'SE-O2-4'),
    solution('membrane', 'Membrane caps', 'SE-MC-9'),
  ];
}
