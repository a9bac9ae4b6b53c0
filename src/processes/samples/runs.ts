import type { ServiceId } from '@/core/instrument/service';
import type { Traits } from '@/core/instrument/traits';
import { MEASURANDS } from '@/core/measurand';
import type { StandingId, StandingValue } from '@/core/uncertainty/standing';
import { schoolsOf } from '@/core/procedure/schools-of';
import type { Actor, RunChannel, StartedData } from '@/core/record/event';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { shippedProcedure } from '@/procedures';
import { METER_MODELS } from '@/standins/meter/meter-models';
import { PROBE_FAULTS } from '@/standins/meter/probe-fault';
import { SimulatedMeter } from '@/standins/meter/simulated-meter';
import { MODELS } from '../seed/catalogue';
import { fly, type Pilot } from '../seed/pilot';
import { Random } from '../seed/random';
import { liquidChooser } from '../seed/water-history';
import { flyWater } from '../seed/water-pilot';
import { LIQUIDS, ROOM } from './references';

export const TECHNICIAN: Actor = { id: 'sample-technician', name: 'Tam Verrick', role: 'technician' };
export const SIGNATORY: Actor = { id: 'sample-signatory', name: 'Henrike Solde', role: 'signatory' };
const START = new Date('2026-11-24T08:00:00.000Z');

/** Standing values that the samples' signatory gave a source; the rest is as it ships. */
const STANDING: StandingValue[] = Object.entries(MEASURANDS).flatMap(([measurand, module]) =>
  Object.entries(module.standing).flatMap(([id, value]): StandingValue[] =>
    value.source.kind === 'memory'
      ? [
          {
            ...value,
            id: id as StandingId,
            measurand,
            source: { kind: 'confirmed', text: 'Quality file Q-12', on: '2026-01-12', by: SIGNATORY.name },
          },
        ]
      : [],
  ),
);

/** A run of a model of the demo, started and not yet worked. */
export function begin(
  model: string,
  references: ReferenceSnapshot[],
  {
    procedure: other,
    service = 'calibrate',
    schools: chosen,
    origin = 'guided',
    source = 'typed',
  }: {
    procedure?: string;
    service?: ServiceId;
    schools?: Record<string, string>;
    origin?: StartedData['origin'];
    source?: 'typed' | 'imported';
  } = {},
): ScriptedRun {
  const { procedureId, channels, traits } = MODELS.find((one) => one.name === model)!;
  const procedure = shippedProcedure(other ?? procedureId!)!;
  const all: Traits = chosen ? { ...traits, schools: { ...traits.schools, ...chosen } } : traits;
  return new ScriptedRun(procedure, {
    run: `00000000-0000-4000-8000-${model.replace(/\W/g, '').toLowerCase().padStart(12, '0').slice(-12)}`,
    actor: TECHNICIAN,
    start: START,
    references: [...references, ...ROOM],
    source,
  }).start({
    origin,
    service,
    rule: 'simple',
    coverage: 0.9545,
    practice: false,
    placedAt: START.toISOString(),
    standing: STANDING,
    items: [{ id: 'body', part: 'body', assetId: 'sample', model, serial: 'SAMPLE-1', traits: all }],
    channels: channels
      .filter((channel) => procedure.channels.some((place) => place.role === channel.role))
      .map((channel): RunChannel => ({
        ...channel,
        id: `c-${channel.role}`,
        item: 'body',
        status: 'fitted',
        sensorSerial: `${channel.role.toUpperCase()}-1`,
      })),
    schools: schoolsOf(procedure, all),
  });
}

/** Worked through in gas, the sensors a few per cent low as found. */
export function inGas(
  model: string,
  bottle: ReferenceSnapshot,
  rest: Partial<Pilot> & {
    tools?: ReferenceSnapshot[];
    procedure?: string;
    service?: ServiceId;
    dead?: string[];
    seed?: number;
  } = {},
): ScriptedRun {
  const { tools = [], procedure, service, dead = [], seed = 7, second, ...pilot } = rest;
  const run = begin(model, [bottle, ...tools, ...(second ? [second] : [])], {
    ...(procedure ? { procedure } : {}),
    ...(service ? { service } : {}),
  });
  fly({
    run,
    random: new Random(seed),
    behaviour: {
      foundError: Object.fromEntries(run.state.channels.map((channel) => [channel.id, channel.unit === '%vol' ? -0.004 : -0.04])),
      dead,
      readAtZero: 0.4,
    },
    choose: (slot) => {
      const needs = run.procedure.slots.find((one) => one.id === slot)?.needs;
      return tools.find((one) => Array.isArray(needs) && needs.includes(one.components[0]!.substance)) ?? bottle;
    },
    room: { temperatureC: '21.6', pressureHPa: '1008', humidityPercent: '46' },
    ...(second ? { second } : {}),
    ...pilot,
  });
  return run;
}

/** Worked through in water on a simulated meter. */
export function inWater(
  model: string,
  { roomC = 22, laterC, pressureHPa }: { roomC?: number; laterC?: number; pressureHPa?: number } = {},
): ScriptedRun {
  const run = begin(model, LIQUIDS);
  const meter = new SimulatedMeter(METER_MODELS[model]!, 'SAMPLE-1', PROBE_FAULTS.sound, 5);
  if (pressureHPa) meter.world.pressureHPa = pressureHPa;
  flyWater({
    run,
    meter,
    choose: liquidChooser(run.procedure, [...LIQUIDS, ...ROOM]),
    roomC,
    ...(laterC === undefined ? {} : { laterC }),
    trace: [],
    stepSeconds: 1,
  });
  return run;
}
