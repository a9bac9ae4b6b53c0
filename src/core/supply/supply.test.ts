import { describe, expect, it } from 'vitest';
import { costPerRun } from './cost-per-run';
import { gasAvailable } from './gas-available';
import { runsLeft } from './runs-left';
import { runsOutOn } from './runs-out-on';

describe('what is left of a bottle', () => {
  it('34 L at 0.5 L/min, 2 min a run: 34 runs on paper, about 30 with 13 % waste (common practice)', () => {
    expect(runsLeft({ availableL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0 })).toBe(34);
    expect(runsLeft({ availableL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0.13 })).toBe(30);
    expect(gasAvailable({ waterVolumeL: 0.5, gaugePressureBar: 68.9 })).toBeCloseTo(34, 1);
  });
  it('45 s at 0.3 L/min is 0.225 L: 4 runs from 0.9 L, not 3 (arithmetic; in binary 0.9 / 0.225 falls short of nothing by luck only)', () => {
    expect(runsLeft({ availableL: 0.9, flowLPerMin: 0.3, minutes: 0.75, wasteFactor: 0 })).toBe(4);
  });
  it('a run costs its share of the bottle (arithmetic)', () => {
    expect(costPerRun({ price: 170, contentL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0.13 })).toBeCloseTo(5.65, 9);
    expect(() => costPerRun({ price: -1, contentL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0 })).toThrow(/price/);
  });
  it('runs out on the first day that booked work needs more', () => {
    const booked = [
      { date: '2026-12-03', litres: 2 },
      { date: '2026-12-01', litres: 2 },
      { date: '2026-12-02', litres: 1 },
    ];
    expect(runsOutOn({ availableL: 3, booked })).toBe('2026-12-03');
    expect(runsOutOn({ availableL: 5, booked })).toBeNull();
    expect(() => runsOutOn({ availableL: 5, booked: [{ date: '3 Dec', litres: 1 }] })).toThrow(/booked\[0\]\.date/);
    expect(() => runsLeft({ availableL: 1, flowLPerMin: 0, minutes: 1, wasteFactor: 0 })).toThrow(/flowLPerMin/);
  });
});
