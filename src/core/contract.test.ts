import { describe, expect, it } from 'vitest';
import * as core from './index';

/** The names that outside checks call. A name may be added; none may go. */
const CONTRACT = [
  'nernstSlope',
  'bufferValue',
  'recogniseBuffer',
  'fitElectrode',
  'phFromMillivolts',
  'kclStandard',
  'toReferenceTemperature',
  'cellConstant',
  'practicalSalinity',
  'totalDissolvedSolids',
  'displayConductivity',
  'oxygenSolubility',
  'oxygenSaturationPercent',
  'standardPressure',
  'volPercentToLel',
  'lelToVolPercent',
  'ppmToMgPerM3',
  'dryGasTarget',
  'timeWeightedAverage',
  'gasAvailable',
  'runsLeft',
  'detectPlateau',
  'fitResponse',
  'combine',
  'fitLine',
  'conformityProbability',
  'decide',
  'simulate',
  'wilsonLowerBound',
  'nextDue',
];

describe('the contract', () => {
  it.each(CONTRACT)('%s is there', (name) => {
    expect(typeof core[name as keyof typeof core]).toBe('function');
  });

  /** One bad argument each: refused by name, never NaN, never clamped. */
  const REFUSED: [string, () => unknown, RegExp][] = [
    ['nernstSlope', () => core.nernstSlope({ temperatureC: NaN }), /temperatureC/],
    ['recogniseBuffer', () => core.recogniseBuffer({ millivolts: Infinity, temperatureC: 25, set: ['borax'] }), /millivolts/],
    ['fitElectrode', () => core.fitElectrode({ points: [{ pH: 15, millivolts: 0, temperatureC: 25 }] }), /points\[0\]\.pH/],
    [
      'toReferenceTemperature',
      () => core.toReferenceTemperature({ conductivity: -1, temperatureC: 25, referenceC: 25, alphaPercentPerC: 2 }),
      /conductivity/,
    ],
    [
      'practicalSalinity',
      () => core.practicalSalinity({ conductivityMsPerCm: 40, temperatureC: 60, pressureDbar: 0 }),
      /temperatureC/,
    ],
    ['totalDissolvedSolids', () => core.totalDissolvedSolids({ conductivityUsPerCm: 1, factor: 0 }), /factor/],
    ['oxygenSolubility', () => core.oxygenSolubility({ temperatureC: 20, pressureHPa: 1013, salinity: 50 }), /salinity/],
    ['volPercentToLel', () => core.volPercentToLel({ volPercent: 101, lelVolPercent: 5 }), /volPercent/],
    ['ppmToMgPerM3', () => core.ppmToMgPerM3({ ppm: 1, molarMass: 0, temperatureC: 25, pressureHPa: 1013 }), /molarMass/],
    ['dryGasTarget', () => core.dryGasTarget({ nominal: 0.038, pressureHPa: 100, resolution: 0.001 }), /pressureHPa/],
    ['gasAvailable', () => core.gasAvailable({ waterVolumeL: 1, gaugePressureBar: -1 }), /gaugePressureBar/],
    [
      'detectPlateau',
      () => core.detectPlateau({ samples: [{ seconds: 0, value: NaN }], windowSeconds: 1, maxSlopePerMinute: 1, maxSpread: 1 }),
      /value/,
    ],
    ['combine', () => core.combine({ components: [{ standard: -1 }], coverage: 0.95 }), /standard/],
    ['decide', () => core.decide({ error: NaN, lower: 0, upper: 1, expanded: 0, rule: 'simple' }), /error/],
    ['wilsonLowerBound', () => core.wilsonLowerBound({ successes: 1, trials: 0, confidence: 0.95 }), /trials/],
    ['nextDue', () => core.nextDue({ from: '2026-02-30', every: { days: 1 } }), /from/],
  ];
  it.each(REFUSED)('%s refuses what is out of range and names it', (_name, call, message) => {
    expect(call).toThrow(RangeError);
    expect(call).toThrow(message);
  });
});
