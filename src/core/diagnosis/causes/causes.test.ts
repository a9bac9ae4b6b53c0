import { describe, expect, it } from 'vitest';
import { diagnoseWater } from '../diagnose-water';
import type { WaterFacts } from './probe-facts';

const codes = (facts: WaterFacts) => diagnoseWater(facts).map((one) => one.code);
const dip = (value: number, shown: number, rest: object = {}) => ({ value, shown, tolerance: 0.1, ...rest });

describe('what a measurand makes of its probe (common practice)', () => {
  it('redox has only an offset: the reference, or an old solution; one that reads right has nothing', () => {
    const redox = (shown: number, rest: object = {}): WaterFacts => ({
      measurand: 'redox potential',
      label: 'ORP',
      dips: [dip(220, shown, { tolerance: 10, ...rest })],
    });
    expect(codes(redox(190))).toEqual(['spentReference', 'contaminatedBuffer']);
    expect(diagnoseWater(redox(190, { openedMonths: 7 }))[1]!.because.join(' ')).toContain('Open for long');
    expect(codes(redox(221))).toEqual([]);
  });
  it('oxygen over the air: not polarised where it was just switched on, else a torn membrane', () => {
    const high = (minutesOn: number): WaterFacts => ({
      measurand: 'dissolved oxygen',
      label: 'Oxygen',
      dips: [dip(9, 10.2)],
      minutesOn,
    });
    expect(codes(high(2))[0]).toBe('notPolarised');
    expect(codes(high(60))[0]).toBe('wrinkledMembrane');
    expect(codes({ measurand: 'dissolved oxygen', label: 'Oxygen', dips: [] })).toEqual([]);
    expect(codes({ ...high(60), dips: [dip(9, 6, { unrest: 2 })] })[0]).toBe('wrinkledMembrane');
    expect(codes({ ...high(60), dips: [dip(9, 5)], membraneMonths: 14, slopePercent: 60 })[0]).toBe('lowElectrolyte');
  });
  it('a slope over 105 % is the buffer’s, never the glass’s; an uneven one is one buffer’s; a dry glass drifts', () => {
    const glass = (rest: Partial<WaterFacts>): WaterFacts => ({
      measurand: 'pH',
      label: 'pH',
      dips: [dip(7, 7), dip(4.01, 4.01)],
      ...rest,
    });
    expect(codes(glass({ slopePercent: 108 }))).toEqual(['contaminatedBuffer']);
    expect(codes(glass({ slopePercent: 92, segmentSlopes: [99, 92] }))[0]).toBe('contaminatedBuffer');
    expect(codes(glass({ slopePercent: 88, offsetMv: 5 }))[0]).toBe('agedElectrode');
    expect(codes(glass({ storedDry: true }))[0]).toBe('driedOut');
    expect(codes(glass({ offsetMv: -45, slopePercent: 99 }))[0]).toBe('spentReference');
    expect(codes(glass({ dips: [dip(7, 7.4)] }))[0]).toBe('spentReference');
  });
  it('a cell: low in all by the same share is dirt, low in the strong one alone polarisation, high in one the standard', () => {
    const cell = (...shares: number[]): WaterFacts => ({
      measurand: 'conductivity',
      label: 'Conductivity',
      dips: [84, 1413, 12880]
        .slice(0, shares.length)
        .map((value, i) => dip(value, value * shares[i]!, { tolerance: value * 0.03 })),
    });
    expect(codes(cell(0.9, 0.9, 0.9))[0]).toBe('dirtyCell');
    expect(codes(cell(1, 1, 0.8))[0]).toBe('polarisedCell');
    expect(codes(cell(1, 1.1))[0]).toBe('wrongStandard');
    expect(codes(cell(1, 0.85, 1))[0]).toBe('wrongStandard');
  });
  it('a warm liquid and a sensor that is off are told apart by the thermometer', () => {
    const warm: WaterFacts = { measurand: 'pH', label: 'pH', dips: [dip(7, 7, { temperatureC: 31 })], roomC: 22 };
    expect(codes(warm)[0]).toBe('warmBuffer');
    expect(codes({ ...warm, temperatureErrorC: 3.2 })[0]).toBe('temperatureSensor');
  });
});
