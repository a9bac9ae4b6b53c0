import { describe, expect, it } from 'vitest';
import type { RunChannel } from '../record/event';
import type { Point } from '../procedure/procedure';
import type { Component } from '../uncertainty/component';
import { coverageOf } from '../uncertainty/coverage';
import { normalFrom, seededUniform } from '../uncertainty/random';
import { measurandOf } from '.';
import { budgetOf, contextOf } from './context.fixture';
import type { TargetContext } from './measurand';

const DRAWS = 30_000;
const COVERAGE = 0.9545;

/** Which input of the target a component is a doubt about; all others add to the result as they are. */
const INPUT_OF: Partial<Record<Component['id'], string>> = {
  thermometer: 'temperatureC',
  gradient: 'temperatureC',
  barometer: 'pressureHPa',
};

/**
 * Propagation of distributions through the model itself (JCGM 101:2008, 5.2 and 7): the inputs of the target are drawn and the target worked out anew,
 * the rest is drawn and added; half-width of the probabilistically symmetric interval (7.7).
 */
function simulated(context: TargetContext, budget: Component[]): number {
  const uniform = seededUniform(11);
  const normal = normalFrom(uniform);
  const draw = (one: Component, standard: number) => {
    switch (one.distribution) {
      case 'rectangular':
        return standard * Math.sqrt(3) * (2 * uniform() - 1);
      case 'triangular':
        return standard * Math.sqrt(6) * (uniform() + uniform() - 1);
      case 'uShaped':
        return standard * Math.SQRT2 * Math.sin(2 * Math.PI * uniform());
      default:
        return standard * normal();
    }
  };
  const target = measurandOf(context.channel.measurand).target;
  const used = target(context);
  if (used === null || 'refused' in used) throw new Error('no target');
  const at = (inputs: Record<string, string>) => {
    const moved = target({ ...context, inputs: { ...context.inputs, ...used.inputs, ...inputs, unrounded: 'yes' } });
    if (moved === null || 'refused' in moved) throw new Error(moved?.sentence ?? 'no target');
    return Number(moved.value);
  };
  const here = at({});
  const drawn: number[] = [];
  for (let i = 0; i < DRAWS; i += 1) {
    const shifts: Record<string, number> = {};
    let sum = 0;
    for (const one of budget) {
      const input = INPUT_OF[one.id];
      if (input && used.inputs[input] !== undefined) shifts[input] = (shifts[input] ?? 0) + draw(one, one.standard);
      else sum += one.sensitivity * draw(one, one.standard);
    }
    const moved = Object.keys(shifts).length
      ? at(Object.fromEntries(Object.entries(shifts).map(([input, by]) => [input, String(Number(used.inputs[input]) + by)])))
      : here;
    drawn.push(moved - here + sum);
  }
  drawn.sort((a, b) => a - b);
  const [low, high] = [drawn[Math.round((DRAWS * (1 - COVERAGE)) / 2)]!, drawn[Math.round((DRAWS * (1 + COVERAGE)) / 2)]!];
  return (high - low) / 2;
}

type Case = [
  what: string,
  channel: Partial<RunChannel> & Pick<RunChannel, 'measurand' | 'unit'>,
  target: Point['target'],
  material?: { substance: string; value: string; unit: string; expanded?: string },
  inputs?: Record<string, string>,
];
const bottle = (
  substance: string,
  via: 'certified' | 'atTemperature' | 'compensated' | 'atPressure' | 'lelScale' = 'certified',
) => ({ kind: 'material', slot: 'slot', component: substance, via }) as const;
const CASES: Case[] = [
  [
    'carbon monoxide, span',
    { measurand: 'carbon monoxide', unit: 'ppm', resolution: '1' },
    bottle('CO'),
    { substance: 'CO', value: '100', unit: 'ppm', expanded: '2' },
  ],
  [
    'carbon monoxide, zero',
    { measurand: 'carbon monoxide', unit: 'ppm', resolution: '1' },
    { kind: 'fixed', value: '0', unit: 'channel' },
  ],
  [
    'hydrogen sulphide, span',
    { measurand: 'hydrogen sulphide', unit: 'ppm', resolution: '0.1' },
    bottle('H2S'),
    { substance: 'H2S', value: '25.0', unit: 'ppm', expanded: '0.9' },
  ],
  [
    'oxygen in clean air',
    { measurand: 'oxygen', unit: '%vol', resolution: '0.1', cleanAir: '20.9' },
    { kind: 'computed', function: 'cleanAirOxygen' },
  ],
  [
    'pH in buffer 10',
    { measurand: 'pH', unit: 'pH', resolution: '0.01' },
    bottle('technical-10.01', 'atTemperature'),
    { substance: 'technical-10.01', value: '10.01', unit: 'pH' },
    { temperatureC: '22' },
  ],
  [
    'pH in buffer 7',
    { measurand: 'pH', unit: 'pH', resolution: '0.01' },
    bottle('technical-7.00', 'atTemperature'),
    { substance: 'technical-7.00', value: '7.00', unit: 'pH' },
    { temperatureC: '22' },
  ],
  [
    'conductivity, not compensated',
    { measurand: 'conductivity', unit: 'µS/cm', resolution: '1' },
    bottle('kcl-1413', 'atTemperature'),
    { substance: 'kcl-1413', value: '1413', unit: 'µS/cm', expanded: '7' },
    { temperatureC: '22' },
  ],
  [
    'dissolved oxygen in the sleeve',
    { measurand: 'dissolved oxygen', unit: 'mg/L', resolution: '0.01' },
    { kind: 'computed', function: 'airSaturatedOxygen' },
    undefined,
    { temperatureC: '22', pressureHPa: '1009' },
  ],
  [
    'temperature',
    { measurand: 'temperature', unit: '°C', resolution: '0.1' },
    { kind: 'comparison', slot: 'thermometer' },
    undefined,
    { comparison: '22.0' },
  ],
  [
    'turbidity',
    { measurand: 'turbidity', unit: 'NTU', resolution: '0.1' },
    bottle('formazin-100'),
    { substance: 'formazin-100', value: '100.0', unit: 'NTU', expanded: '1.5' },
  ],
];

describe('the budget against the whole model by simulation (JCGM 101:2008), within 5 %', () => {
  it.each(CASES)('%s', (_what, channel, target, material, inputs) => {
    const context = contextOf({ channel, target, ...(material ? { material } : {}), ...(inputs ? { inputs } : {}) });
    const budget = budgetOf(context);
    expect(budget.length).toBeGreaterThan(1);
    const { expanded } = coverageOf(budget, COVERAGE);
    expect(Math.abs(simulated(context, budget) / expanded - 1)).toBeLessThan(0.05);
  });
});
