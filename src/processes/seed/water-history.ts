import type { Procedure } from '@/core/procedure/procedure';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { METER_MODELS } from '@/standins/meter/meter-models';
import { PROBE_FAULTS, type ProbeFault } from '@/standins/meter/probe-fault';
import { SimulatedMeter } from '@/standins/meter/simulated-meter';
import type { Visit } from './history';
import type { Random } from './random';
import { toolFor } from './tool-for';
import type { WaterPilot } from './water-pilot';

/** An electrode that came dry at this visit was soaked: a new series begins with it. */
const SOAKED_AT = 2;
const LAST = 90;

/** The meter as it is at this visit: a glass loses slope month by month and gets slower, a cell and a membrane lose a little; one glass is cracked in the end. */
export function meterOf(
  visit: Visit,
  random: Random,
): Pick<WaterPilot, 'meter' | 'roomC' | 'laterC' | 'trace' | 'refusals' | 'dry' | 'decide'> {
  const { asset, at } = visit;
  // What stands in the house today is numbered apart from the history.
  const number = Math.min(visit.number, 6);
  const months = 'days' in asset.every ? asset.every.days / 30 : asset.every.months;
  const soaked = asset.index % 5 === 1;
  const age = (soaked && number >= SOAKED_AT ? number - SOAKED_AT : number) * months;
  const perMonth = asset.character === 'drifting' ? 0.0046 : 0.0018;
  const recent = Date.now() - at.getTime() < LAST * 864e5;
  const worn: ProbeFault = {
    slope: 0.994 - perMonth * age + 0.004 * random.normal(),
    offsetMv: -3 - 0.35 * age + 1.5 * random.normal(),
    tauSeconds: 3.5 + 0.25 * age,
    cell: 1 - 0.0009 * age + 0.002 * random.normal(),
    oxygen: 0.99 - 0.004 * age + 0.004 * random.normal(),
    temperatureC: 0.1 * random.normal(),
  };
  const roomC = 20 + Math.round(30 * random.next()) / 10;
  const cracked = asset.character === 'cracked' && recent;
  return {
    meter: new SimulatedMeter(
      METER_MODELS[asset.model]!,
      `S-${asset.index}`,
      cracked ? PROBE_FAULTS.crackedGlass! : worn,
      asset.index * 31 + number,
    ),
    roomC,
    // At one visit in four the bench is warmer by the time of the as-left.
    ...(random.next() < 0.25 ? { laterC: Math.round((roomC + 2 + 1.5 * random.next()) * 10) / 10 } : {}),
    trace: [],
    refusals: [],
    dry: soaked && number === SOAKED_AT,
    ...(cracked ? { decide: 'discard' } : {}),
  };
}

/** The newest lot that is what this place asks for; where any buffer will do, 7 and then 4. */
export function liquidChooser(procedure: Procedure, references: ReferenceSnapshot[]): (slot: string) => ReferenceSnapshot {
  let free = 0;
  return (id) => {
    const slot = procedure.slots.find((one) => one.id === id)!;
    if (slot.kind === 'tool') return toolFor(slot, references);
    const needs = Array.isArray(slot.needs) ? slot.needs : [free++ % 2 === 0 ? 'technical-7.00' : 'technical-4.01'];
    const found = references.find(
      (one) => one.kind === slot.kind && needs.every((need) => one.components.some((part) => part.substance === need)),
    );
    if (!found) throw new Error(`the demo's shelf has no ${slot.label} on that day`);
    return found;
  };
}
