import { describe, expect, it } from 'vitest';
import type { Point } from '../procedure/procedure';
import { isRefusal } from '../words/refusal';
import { judgeAtPoint } from '../run/judge-at-point';
import { measurandOf } from '.';
import { MEASURAND_IDS, UNITS_OF } from '../quantity/unit';
import { contextOf } from './context.fixture';

const material = (via: string, component = 'x'): Point['target'] =>
  ({ kind: 'material', slot: 'slot', component, via }) as Point['target'];
const TARGETS: Point['target'][] = [
  { kind: 'fixed', value: '0', unit: 'channel' },
  { kind: 'observe', direction: 'rise' },
  { kind: 'strip' },
  { kind: 'comparison', slot: 'thermometer' },
  { kind: 'comparison', slot: 'nowhere' },
  { kind: 'computed', function: 'cleanAirOxygen' },
  { kind: 'computed', function: 'airSaturatedOxygen' },
  { kind: 'recognised', set: ['technical-7.00'] },
  material('certified', 'channelGas'),
  ...['certified', 'atTemperature', 'atPressure', 'lelScale', 'compensated', 'dissolvedSolids'].map((via) => material(via)),
];
const INPUTS: Record<string, string>[] = [
  {},
  { temperatureC: 'warm', pressureHPa: 'high', comparison: 'no' },
  { temperatureC: '25', pressureHPa: '975', comparison: '21.9', millivolts: '-3', low: '6', high: '8', before: '1' },
  { temperatureC: '40', temperatureFrom: 'instrument', comparison: '40' },
  { temperatureC: '99' },
];
const UNITS = ['pH', 'µS/cm', 'mS/cm', 'mV', 'mg/L', 'ppm', '%vol', 'NTU', 'g/210 L'];

describe('whatever is asked of whatever quantity', () => {
  it.each(MEASURAND_IDS)('%s: a target with its budget, or a refusal with a sentence; never a crash, never NaN', (id) => {
    const measurand = measurandOf(id);
    const gas = 'channelGas';
    let [judged, refused] = [0, 0];
    for (const unit of UNITS_OF[id])
      for (const target of TARGETS)
        for (const inputs of INPUTS)
          for (const withThermometer of [true, false])
            for (const bottle of [null, ...UNITS, unit]) {
              const context = contextOf({
                channel: {
                  measurand: id,
                  unit,
                  calibrationGas: 'x',
                  ...(unit === '%LEL'
                    ? { scale: { gas: 'methane', lelVolPercent: '5', relativeResponse: '1', source: 'test' } }
                    : {}),
                  ...(inputs.low
                    ? {
                        cleanAir: '20.9',
                        water: {
                          compensation: { referenceC: '25', percentPerC: '2' },
                          solids: { factor: '0.5' },
                          saturation: 'oneAtm',
                        },
                      }
                    : {}),
                } as never,
                target,
                inputs,
                withThermometer,
                room: inputs.low ? { temperatureC: '21', pressureHPa: '1009', humidityPercent: '40' } : null,
                ...(bottle
                  ? {
                      material: {
                        substance: target.kind === 'material' && target.component !== gas ? 'x' : 'y',
                        value: '25',
                        unit: bottle,
                        table: [
                          [0, 24],
                          [25, 25],
                          [50, 26],
                        ],
                      },
                    }
                  : {}),
              });
              const used = measurand.target(context);
              if (isRefusal(used)) {
                refused += 1;
                expect(used.sentence).toMatch(/\w+ \w+/);
                continue;
              }
              const judgement = judgeAtPoint({ text: '25.00', unit, status: 'value' } as never, used, context);
              judged += 1;
              for (const part of judgement.budget) {
                expect(Number.isFinite(part.standard) && part.standard >= 0, `${part.id} ${JSON.stringify(target)}`).toBe(true);
                expect(Number.isFinite(part.contribution), part.id).toBe(true);
              }
              if (judgement.expanded !== null) expect(Number(judgement.expanded)).toBeGreaterThanOrEqual(0);
            }
    expect(judged).toBeGreaterThan(0);
    expect(refused).toBeGreaterThan(0);
  });
});
