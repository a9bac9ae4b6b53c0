import type { ServiceId } from '@/core/instrument/service';
import type { Samples } from '@/core/instrument/samples';
import type { Traits } from '@/core/instrument/traits';
import { channelsAsked, schoolsOf } from '@/core/procedure/schools-of';
import type { RunChannel } from '@/core/record/event';
import { technician } from '@/core/run/four-gas.fixture';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ROOM_REFERENCES, TRACED } from '@/core/run/room.fixture';
import { ScriptedRun } from '@/core/run/scripted';
import { MODELS } from '@/processes/seed/catalogue';
import type { WaterPilot } from '@/processes/seed/water-pilot';
import { METER_MODELS } from '@/standins/meter/meter-models';
import { PROBE_FAULTS } from '@/standins/meter/probe-fault';
import { SimulatedMeter } from '@/standins/meter/simulated-meter';
import { shippedProcedure } from './index';

/** A simulated meter on the bench with a liquid for every place: tests and measurements work it through. */
const liquid = (
  substance: string,
  value: string,
  unit: string,
  kind: 'buffer' | 'standard' = 'standard',
  table?: [number, number][],
): ReferenceSnapshot => ({
  id: substance,
  kind,
  name: substance,
  lot: `L-${substance}`,
  expires: '2099-01-31',
  detail: { doseMl: '30', volumeMl: '500' },
  ...TRACED,
  components: [
    {
      substance,
      value,
      unit,
      expanded: unit === 'pH' ? '0.02' : String(Number(value) * 0.005),
      k: 2,
      ...(table ? { table } : {}),
    },
  ],
});
const salt = (at25: number): [number, number][] => [15, 20, 25, 30].map((t) => [t, at25 * (1 + 0.02 * (t - 25))]);
export const SHELF: ReferenceSnapshot[] = [
  liquid('technical-4.01', '4.01', 'pH', 'buffer'),
  liquid('technical-7.00', '7.00', 'pH', 'buffer'),
  liquid('technical-10.01', '10.01', 'pH', 'buffer'),
  liquid('kcl-84', '84', 'µS/cm'),
  liquid('kcl-1413', '1413', 'µS/cm'),
  liquid('kcl-12880', '12.88', 'mS/cm'),
  liquid('salt-731', '731', 'µS/cm', 'standard', salt(731)),
  liquid('salt-1417', '1417', 'µS/cm', 'standard', salt(1417)),
  liquid('redox-220', '220', 'mV', 'standard', [
    [20, 224],
    [25, 220],
  ]),
  liquid('fluoride-1', '1.00', 'mg/L'),
  liquid('fluoride-10', '10.00', 'mg/L'),
  liquid('formazin-20', '20.0', 'NTU'),
  liquid('formazin-100', '100.0', 'NTU'),
  {
    ...liquid('phosphate', '6.86', 'pH'),
    id: 'quick',
    components: [
      { substance: 'phosphate', value: '6.86', unit: 'pH', expanded: '0.02', k: 2 },
      { substance: 'ec-5000', value: '5000', unit: 'µS/cm', expanded: '40', k: 2, table: salt(5000) },
    ],
  },
  {
    id: 'thermometer',
    kind: 'tool',
    role: 'thermometer',
    name: 'Thermometer',
    lot: 'T',
    expires: '2099-01-31',
    components: [{ substance: 'temperature', value: '1', unit: '°C', expanded: '0.1', k: 2 }],
    ...TRACED,
  },
  ...ROOM_REFERENCES.filter((one) => one.role !== 'thermometer'),
];

export function openMeter(
  model: string,
  fault: string,
  extra: Traits & { service?: ServiceId; samples?: Samples } = {},
): WaterPilot & { refusals: NonNullable<WaterPilot['refusals']> } {
  const { procedureId, channels, traits } = MODELS.find((one) => one.name === model)!;
  const procedure = shippedProcedure(procedureId!)!;
  const { service = 'calibrate', samples, ...others } = extra;
  const all: Traits = { ...traits, ...others };
  const schools = schoolsOf(procedure, all, samples);
  const run = new ScriptedRun(procedure, {
    run: `run-${model}`,
    actor: technician,
    start: new Date('2026-11-26T08:00:00.000Z'),
    references: SHELF,
  }).start({
    origin: 'guided',
    service,
    rule: 'simple',
    coverage: 0.9545,
    practice: false,
    items: [{ id: 'body', part: 'body', assetId: 'a', model, serial: '1', traits: all }],
    channels: channelsAsked(
      channels.map((channel): RunChannel => ({ ...channel, id: `c-${channel.role}`, item: 'body', status: 'fitted' })),
      procedure,
      schools,
    ),
    schools,
  });
  const meter = new SimulatedMeter(METER_MODELS[model]!, 'S-1', PROBE_FAULTS[fault]!, 5);
  const needs = (slot: string) => procedure.slots.find((one) => one.id === slot)!.needs;
  let points = 0;
  const choose = (slot: string) => {
    const wanted = needs(slot);
    if (slot === 'buffer') return SHELF[points++ % 2 === 0 ? 1 : 0]!;
    return SHELF.find(
      (one) => Array.isArray(wanted) && wanted.every((need) => one.components.some((component) => component.substance === need)),
    )!;
  };
  return { run, meter, choose, refusals: [], trace: [] };
}
