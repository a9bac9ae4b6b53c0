import { describe, expect, it } from 'vitest';
import { flyWater } from '@/processes/seed/water-pilot';
import { openMeter } from '@/procedures/meter-day.fixture';
import { mix, wholeRun } from '../run/four-gas.fixture';
import { judgeAnew } from './judge-anew';
import { asThought, type Doubt } from './suspicion';

const H2S = (value: string): Doubt => ({ substance: 'H2S', kind: 'value', value });
const sides = (doubts: Doubt[], reference = 'ref-mix') => {
  const run = wholeRun();
  const before = JSON.stringify(run.state);
  const anew = judgeAnew(run.procedure, run.state, { reference, doubts });
  // Judged beside the record, never in it.
  expect(JSON.stringify(run.state)).toBe(before);
  return anew;
};

describe('a bottle that was not what its certificate says', () => {
  it('H₂S read against 25.0, if it was 22.0: by hand, 21.5 − 22.0 = −0.5 is within ± 2.2, and 25.0 − 22.0 = 3.0 is outside; other gases of the bottle and clean air stay', () => {
    const { results, asFound, asLeft } = sides([H2S('22.0')]);
    expect(
      results.map(({ channel, side, reading, was, would }) => [channel, side, reading, was.verdict, would!.verdict]),
    ).toEqual([
      ['c-h2s', 'found', '21.5', 'outside', 'within'],
      ['c-h2s', 'left', '25.0', 'within', 'outside'],
    ]);
    expect(results.map((one) => Number(one.was.deviation))).toEqual([-3.5, 0]);
    expect(results.map((one) => Number(one.would!.deviation))).toEqual([-0.5, 3]);
    expect(results.map((one) => Number(one.would!.reference))).toEqual([22, 22]);
    // Combustible was found at 46 of 50, within ± 5 as before: as found was outside by H₂S alone.
    expect(asFound).toEqual({ was: 'outside', would: 'within' });
    expect(asLeft).toEqual({ was: 'within', would: 'outside' });
  });
  it('thought true as certified, or another reference: nothing rests on it', () => {
    expect(sides([H2S('25.0')]).results).toEqual([]);
    expect(sides([H2S('22.0')], 'ref-other').results).toEqual([]);
  });
  it('unknown: what rests on it can’t be judged, and the run counts as not measured', () => {
    const { results, asLeft } = sides([{ substance: 'CO', kind: 'unknown' }, H2S('24.9')]);
    expect(results.map(({ channel, side, would }) => [channel, side, would?.verdict ?? null])).toEqual([
      ['c-h2s', 'found', 'outside'],
      ['c-h2s', 'left', 'within'],
      ['c-co', 'found', null],
      ['c-co', 'left', null],
    ]);
    expect(asLeft).toEqual({ was: 'within', would: 'notMeasured' });
  });
  it('a lot’s own table moves with its value; a figure that is none is refused', () => {
    const buffer = { ...mix, components: [{ ...mix.components[0]!, value: '7.00', table: [[20, 7.02]] as [number, number][] }] };
    const [moved] = asThought(buffer, [{ substance: 'O2', kind: 'value', value: '7.05' }]).components;
    expect(moved!.value).toBe('7.05');
    expect(moved!.table![0]![1]).toBeCloseTo(7.07, 9);
    expect(() => sides([H2S('about 22')])).toThrow();
  });
});

describe('a thermometer that showed too little', () => {
  it('moves what conductivity is compared with by its temperature; what doesn’t depend on it stays', () => {
    const pilot = openMeter('SM-05', 'sound', {});
    flyWater(pilot);
    const { procedure, state } = pilot.run;
    const thermometer = state.bindings.find((one) => one.slot === 'thermometer')!.reference;
    const by = (doubt: Doubt) => judgeAnew(procedure, state, { reference: thermometer.id, doubts: [doubt] }).results;
    const moved = by({ substance: 'temperature', kind: 'shift', value: '10' });
    expect(moved.length).toBeGreaterThan(0);
    expect(by({ substance: 'temperature', kind: 'unknown' }).map((one) => [one.channel, one.point, one.side, one.would])).toEqual(
      moved.map((one) => [one.channel, one.point, one.side, null]),
    );
    // A thermometer of another room touches nothing.
    expect(
      judgeAnew(procedure, state, { reference: 'r-x', doubts: [{ substance: 'temperature', kind: 'unknown' }] }).results,
    ).toEqual([]);
  });
});
