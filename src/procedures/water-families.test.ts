import type { ServiceId } from '@/core/instrument/service';
import type { Samples } from '@/core/instrument/samples';
import type { Traits } from '@/core/instrument/traits';
import { certificateContent } from '@/core/certificate/content';
import { sourceOf } from '@/core/certificate/source.fixture';
import { describe, expect, it } from 'vitest';
import { diagnoseWater } from '@/core/diagnosis/diagnose-water';
import { waterFactsOf } from '@/core/diagnosis/water-facts-of';
import { waterTest } from '@/core/diagnosis/water-tests';
import { probeResults } from '@/core/probe/probe-result';
import type { RunChannel } from '@/core/record/event';
import { flatSteps } from '@/core/procedure/flat-steps';
import { calibrationReadings } from '@/core/record/state';
import { summarise } from '@/core/results/summary';
import { flyWater, type WaterPilot } from '@/processes/seed/water-pilot';
import { shippedProcedure } from '.';
import { openMeter, SHELF } from './meter-day.fixture';

const flown = (model: string, fault = 'sound', extra: Traits & { service?: ServiceId; samples?: Samples } = {}) => {
  const pilot = openMeter(model, fault, extra);
  flyWater(pilot);
  return pilot;
};

const FAMILIES: [family: number, model: string, extra?: Traits][] = [
  [2, 'SM-05'],
  [2, 'SM-05', { schools: { points: 'one' } }],
  [3, 'PG-3P'],
  [5, 'SM-35'],
  [9, 'PG-70'],
  [11, 'PG-22'],
  [12, 'SM-20'],
  [19, 'PG-90'],
  [20, 'SM-11'],
  [22, 'SM-40'],
];

describe('water families from the first step to the last, on a sound simulated meter', () => {
  it.each(FAMILIES)('family %i on %s %s', (family, model, extra) => {
    const { run, refusals } = flown(model, 'sound', extra ?? {});
    expect(run.procedure.family).toBe(family);
    expect(refusals).toEqual([]);
    expect(run.state.status).toBe('finished');
    const summary = summarise(run.procedure, run.state);
    expect(summary.lines.filter((one) => one.left?.verdict !== 'within')).toEqual([]);
    expect(summary.asLeft).toBe('within');
    expect(run.state.stimuli.every((span) => span.offAt !== null)).toBe(true);
  });
  it.each(FAMILIES)('family %i on %s %s, as found only: nothing is adjusted', (_family, model, extra) => {
    const { run } = flown(model, 'sound', { ...extra, service: 'asFoundOnly' });
    expect(run.state.status).toBe('finished');
    expect(run.state.adjustments).toEqual([]);
  });
  it('books one dose a bottle, however often it is dipped into', () => {
    const { run } = flown('PG-22');
    const poured = run.events.flatMap((event) =>
      event.type === 'stimulusChanged' && event.data.litres ? [event.data.litres] : [],
    );
    expect(poured).toEqual(['0.03', '0.03']);
  });
  it('the electrode is known from its millivolts: slope and offset of what the simulated glass was given', () => {
    const { run } = flown('PG-90');
    const [ph] = probeResults({ procedure: run.procedure, state: run.state });
    expect(ph!.segments).toHaveLength(2);
    // The stand-in's glass has 98.5 % and −4 mV.
    for (const segment of ph!.segments) expect(segment.slopePercent).toBeCloseTo(98.5, 0);
    expect(ph!.offsetMv).toBeCloseTo(-4, 0);
    const ion = probeResults({ procedure: run.procedure, state: run.state }).find((one) => one.kind === 'ion')!;
    // … and the ion-selective electrode falls by 57.5 mV a decade.
    expect(ion.mvPerDecade).toBeCloseTo(-57.5, 0);
  });
  it('a slope of 93 % is cleaned and calibrated once more by the usual limits, taken as it is by those of USP <791>, and fails the strict ones', () => {
    const way = (limits: string) => {
      const { run } = flown('PG-22', 'tiredElectrode', { schools: { 'electrode-limits': limits } });
      return {
        rounds: run.state.decisions.length,
        said: certificateContent(sourceOf(run)).remarks.filter((one) => /slope/i.test(one)).length,
      };
    };
    expect(way('usual')).toMatchObject({ said: 1 });
    expect(way('usual').rounds).toBeGreaterThan(0);
    expect(way('pharmacopoeia')).toEqual({ rounds: 0, said: 0 });
    expect(way('strict')).toMatchObject({ said: 1 });
  });
  it('one buffer gives an offset and no slope, and the sheet says so', () => {
    const pilot = openMeter('SM-05', 'sound', { schools: { points: 'one' } });
    flyWater({ ...pilot, stopAt: 'quick/round#1/read-back' });
    const slope = (value: string) =>
      pilot.run.try({ type: 'completeStep', step: 'quick/round#1/read-back', answers: { slope: { value } } });
    expect(slope('98.0')).toMatchObject({ code: 'tooFewPoints', field: 'slope' });
    expect(slope('none')).toBeNull();
  });
});

const CAUGHT: [fault: string, model: string, codes: string[]][] = [
  ['crackedGlass', 'PG-22', ['contradictsBottle']],
  ['wrongBuffer', 'PG-22', ['contradictsBottle']],
  ['crackedGlass', 'PG-3P', ['contradictsBottle', 'contradictsBottle']],
];
const CAUSES: [fault: string, model: string, channel: string][] = [
  ['agedElectrode', 'PG-22', 'ph'],
  ['coatedElectrode', 'PG-22', 'ph'],
  ['driedOut', 'PG-22', 'ph'],
  ['crackedGlass', 'PG-22', 'ph'],
  ['spentReference', 'PG-22', 'ph'],
  ['wrongBuffer', 'PG-22', 'ph'],
  ['contaminatedBuffer', 'SM-11', 'ph'],
  ['warmBuffer', 'PG-22', 'ph'],
  ['temperatureSensor', 'PG-22', 'ph'],
  ['bubbles', 'SM-11', 'ec'],
  ['dirtyCell', 'SM-11', 'ec'],
  ['polarisedCell', 'SM-11', 'ec-high'],
  ['wrongStandard', 'PG-70', 'ec'],
  ['wrinkledMembrane', 'SM-20', 'do'],
  ['lowElectrolyte', 'SM-20', 'do'],
  ['notPolarised', 'SM-20', 'do'],
  ['wetMembrane', 'SM-20', 'do'],
];
describe('each fault of the simulated probes: the true cause is among the first two named, and the next test tells it from the other', () => {
  it.each(CAUSES)('%s on %s', (fault, model, role) => {
    const pilot = openMeter(model, fault, { service: 'asFoundOnly' });
    // A probe just switched on: the wait is left out.
    if (fault === 'notPolarised') pilot.hurried = true;
    flyWater(pilot);
    const { state } = pilot.run;
    const channel = state.channels.find((one) => one.role === role)!;
    const facts = waterFactsOf({
      procedure: pilot.run.procedure,
      state,
      channel,
      live: { minutesOn: pilot.meter.frame().seconds / 60, driftPerMinute: drift(pilot, channel) },
    })!;
    const causes = diagnoseWater(facts);
    expect(
      causes.slice(0, 2).map((one) => one.code),
      JSON.stringify({ facts, causes }, null, 1),
    ).toContain(fault);
    const [first, second] = causes;
    if (second) expect(waterTest(first!.code, second.code).tells).toContain(second.code);
  });
  it('a sound probe has no cause named', () => {
    for (const [, model] of FAMILIES) {
      const { state, procedure } = flown(model, 'sound', { service: 'asFoundOnly' }).run;
      for (const channel of state.channels) {
        const facts = waterFactsOf({ procedure, state, channel });
        if (facts)
          expect(
            diagnoseWater(facts).filter((one) => one.score > 3),
            `${model} ${channel.label}`,
          ).toEqual([]);
      }
    }
  });
});

/** Change a minute over the last half minute of the last dip. */
function drift({ meter, trace }: WaterPilot, channel: RunChannel): number | null {
  const slot = meter
    .hello(new Date(0))
    .channels.find((one) => one.measurand === channel.measurand && one.unit === channel.unit)!.slot;
  const seen = (trace ?? []).flatMap((frame) =>
    frame.readings
      .filter((one) => one.slot === slot && one.status === 'value')
      .map((one) => ({ seconds: frame.seconds, value: Number(one.text) })),
  );
  const last = seen.at(-1);
  const early = seen.find((one) => last && one.seconds >= last.seconds - 30);
  return last && early && last.seconds > early.seconds
    ? ((last.value - early.value) / (last.seconds - early.seconds)) * 60
    : null;
}

describe('what contradicts the bottle is said, never taken', () => {
  it('the same buffer twice gives no second point', () => {
    const pilot = openMeter('PG-3P', 'sound');
    const { choose } = pilot;
    flyWater({ ...pilot, choose: (slot) => (slot === 'buffer' ? SHELF[1]! : choose(slot)) });
    expect(pilot.refusals.map((one) => one.code)).toContain('sameBuffer');
    expect(probeResults({ procedure: pilot.run.procedure, state: pilot.run.state })[0]!.segments).toEqual([]);
  });
  it.each(CAUGHT)('%s on %s', (fault, model, codes) => {
    const { refusals, run } = flown(model, fault);
    expect(refusals.map((one) => one.code)).toEqual(expect.arrayContaining(codes));
    expect(summarise(run.procedure, run.state).asLeft).not.toBe('within');
  });
});

const CARED: [fault: string, model: string, decide: string, decisions: string[]][] = [
  ['greasyElectrode', 'PG-22', 'clean', ['clean']],
  ['greasyElectrode', 'PG-22', 'goOn', ['goOn']],
  ['greasyElectrode', 'SM-35', 'clean', ['clean']],
  ['agedElectrode', 'PG-22', 'clean', ['clean', 'clean', 'goOn']],
  ['agedElectrode', 'PG-90', 'fresh', ['fresh', 'fresh', 'goOn']],
  ['lowElectrolyte', 'SM-20', 'membrane', ['membrane']],
  ['agedElectrode', 'PG-3P', 'clean', ['clean', 'clean', 'apply']],
  ['sound', 'PG-22', 'clean', []],
];
describe('a probe that is refused or poor is cared for and calibrated once more, at most twice, and then decided', () => {
  it.each(CARED)('%s on %s, %s', (fault, model, decide, decisions) => {
    const pilot = openMeter(model, fault);
    flyWater({ ...pilot, decide });
    const { state, procedure } = pilot.run;
    expect(pilot.refusals).toEqual([]);
    expect(state.status).toBe('finished');
    expect(state.decisions.map((one) => one.option)).toEqual(decisions);
    const cured = decisions.length === 1 && decisions[0] !== 'goOn';
    expect(state.cares.length > 0).toBe(decisions.some((one) => one === 'clean' || one === 'membrane'));
    const [probe] = probeResults({ procedure, state }).filter((one) => one.kind !== 'temperature');
    expect(probe!.care).toEqual(state.cares.map((one) => one.action));
    if (cured) {
      expect(summarise(procedure, state).asLeft).toBe('within');
      // What the poor probe gave before the care no longer speaks for it: the glass of the stand-in has 98.5 %.
      if (probe!.kind === 'pH') expect(probe!.slopePercent).toBeCloseTo(98.5, 0);
    } else if (fault !== 'sound') expect(probe!.slopePercent).toBeLessThan(95);
  });
  it('fresh buffer is scanned again, each of them, and its doses are booked', () => {
    const pilot = openMeter('PG-22', 'agedElectrode');
    flyWater({ ...pilot, decide: 'fresh' });
    const bound = pilot.run.state.bindings.filter((one) => one.reference.kind !== 'tool').map((one) => one.slot);
    expect(bound).toEqual(['seven', 'four', 'seven', 'four', 'seven', 'four']);
    const poured = pilot.run.events.filter((event) => event.type === 'stimulusChanged' && event.data.litres);
    expect(poured).toHaveLength(6);
  });
  it('the decision of one sheet leaves the points of another alone', () => {
    const pilot = openMeter('SM-35', 'greasyElectrode');
    flyWater({ ...pilot, decide: 'clean' });
    const { state } = pilot.run;
    const points = (role: string) =>
      calibrationReadings(state, pilot.run.channel(role)).map((one) => `${one.point} ${/round#\d/.exec(one.step)![0]}`);
    expect(points('ec')).toEqual(['ec1413 round#1']);
    expect(points('ph')).toEqual(['seven round#2', 'four round#2', 'ten round#2']);
  });
});

describe('how many buffers is a school of the procedure', () => {
  it.each([
    ['PG-22', 'one', 1],
    ['PG-22', 'two', 2],
    ['PG-90', 'two', 2],
    ['PG-90', 'three', 3],
  ])('%s, %s', (model, choice, points) => {
    const { run, refusals } = flown(model, 'sound', { schools: { points: choice } });
    expect(refusals).toEqual([]);
    expect(summarise(run.procedure, run.state).asLeft).toBe('within');
    expect(probeResults({ procedure: run.procedure, state: run.state })[0]!.points).toHaveLength(points);
    const slope = Object.entries(run.state.answers).find(([key]) => key.endsWith('read-back/slope'))![1].value;
    expect(slope === 'none').toBe(points === 1);
  });
  it('the second standard of conductivity is one too', () => {
    const dipped = (choice: string) =>
      flown('PG-70', 'sound', { schools: { verifying: choice } }).run.state.readings.filter((one) => one.point === 'ec1417')
        .length;
    expect(dipped('second')).toBeGreaterThan(0);
    expect(dipped('same')).toBe(0);
  });
});

describe('order of buffers and number of conductivity points are schools too', () => {
  it.each(['PG-22', 'PG-90'])(
    '%s, any order: each buffer is read, set and read again in its own dips, nothing worked out',
    (model) => {
      const { run, refusals } = flown(model, 'sound', { schools: { 'buffer-order': 'any' } });
      expect(refusals).toEqual([]);
      const { lines, asLeft } = summarise(run.procedure, run.state);
      expect(asLeft).toBe('within');
      expect(lines.flatMap((one) => one.notes).filter((note) => note.code === 'note.computedElectrode')).toEqual([]);
      expect(run.state.readings.some((one) => one.phase === 'adjustment' && one.step.includes('/any/four/'))).toBe(true);
    },
  );
  it('any order: the second buffer may be dipped into first, and is not left before it is set', () => {
    const group = flatSteps(shippedProcedure('two-buffer-ph-meter')!.steps).filter(({ groups }) => groups.at(-1)?.id === 'four');
    expect(group.map(({ step }) => step.kind)).toEqual(['stimulus', 'read', 'adjust', 'stimulus']);
    expect(group[0]!.groups.map(({ id, order }) => [id, order])).toEqual([
      ['round', 'fixed'],
      ['any', 'any'],
      ['four', 'fixed'],
    ]);
  });
  it.each([
    ['yes', ['ec84', 'ec1413', 'ec12880']],
    ['no', ['ec1413', 'ec12880']],
  ])('84 µS/cm: %s', (weak, points) => {
    const { run, refusals } = flown('PG-90', 'sound', { schools: { 'weak-standard': weak } });
    expect(refusals).toEqual([]);
    const lines = summarise(run.procedure, run.state).lines.filter((one) => one.point.startsWith('ec'));
    expect(lines.filter((one) => one.left).map((one) => one.point)).toEqual(points);
    // The first one is read before anything is set; only what comes after it is worked out.
    const worked = lines.filter((one) => one.notes.some((note) => note.code === 'note.computedCell')).map((one) => one.point);
    expect(worked).toEqual(points.slice(1));
  });
  it('a meter that shows mS/cm is judged in mS/cm', () => {
    const { run } = flown('SM-05', 'sound', {});
    const line = summarise(run.procedure, run.state).lines.find((one) => one.point === 'ec1413')!;
    expect([line.unit, line.left!.verdict]).toEqual(['mS/cm', 'within']);
    expect(line.left!.reading.text).toMatch(/^1\.4\d$/);
  });
});

describe('what the samples are, asked once at receipt, chooses buffers and standards (common practice)', () => {
  it.each<[model: string, samples: Samples, points: string[]]>([
    ['SM-11', { ph: '7.5', conductivity: '1500' }, ['seven', 'four', 'ec1413']],
    ['SM-11', { ph: '9.5', conductivity: '4000' }, ['seven', 'four', 'ten', 'ec1413', 'ec12880']],
    ['PG-22', { ph: '7.5' }, ['seven', 'four']],
    ['PG-22', { ph: '9.5' }, ['seven', 'ten']],
    ['PG-70', { conductivity: '90' }, ['ec84']],
    ['PG-70', { conductivity: '20000' }, ['ec12880']],
    ['SM-35', { ph: '8.5', conductivity: '200' }, ['seven', 'four', 'ten', 'ec84']],
    ['SM-05', { ph: '6.5', conductivity: '4500' }, ['seven', 'four', 'ec5000']],
  ])('%s, %o', (model, samples, points) => {
    const { run, refusals } = flown(model, 'sound', { samples });
    expect(refusals).toEqual([]);
    const summary = summarise(run.procedure, run.state);
    expect(summary.asLeft).toBe('within');
    const read = new Set(run.state.readings.filter((one) => one.phase === 'asLeft').map((one) => one.point));
    const named = ['seven', 'four', 'ten', 'ec84', 'ec1413', 'ec5000', 'ec731', 'ec12880'].filter((one) => read.has(one));
    expect(named).toEqual(points);
  });
  it('a way that the workshop chose for the model stands before it', () => {
    const { run } = flown('SM-11', 'sound', { samples: { ph: '9.5' }, schools: { points: 'two' } });
    expect(run.state.readings.some((one) => one.point === 'ten')).toBe(false);
  });
});

describe('as found, calibration and the last check share their dips', () => {
  const dips = (model: string, extra: Parameters<typeof flown>[2], pattern: RegExp) => {
    const pilot = flown(model, 'sound', extra);
    const { state, procedure } = pilot.run;
    expect(summarise(procedure, state).asLeft).toBe('within');
    const liquids = state.stimuli.filter(({ slot }) => pattern.test(slot));
    return { count: liquids.length, lines: summarise(procedure, state).lines, pilot };
  };
  const TWO_AND_ONE = { samples: { ph: '7.5', conductivity: '1000' } };
  it.each([
    ['SM-35', 'together', TWO_AND_ONE, 4],
    ['SM-35', 'apart', TWO_AND_ONE, 9],
    ['PG-90', 'together', { samples: { ph: '9', conductivity: '5000' } }, 10],
    ['PG-90', 'apart', { samples: { ph: '9', conductivity: '5000' } }, 18],
  ] as const)('%s, %s', (model, way, extra, expected) => {
    const { count, lines } = dips(
      model,
      { ...extra, schools: { dips: way, 'weak-standard': 'yes' } },
      /^(seven|four|ten|ec\d+)$/,
    );
    expect(count).toBe(expected);
    const named = (code: string) =>
      lines.filter((one) => /^(seven|four|ten|ec)/.test(one.point) && one.notes.some((note) => note.code === code)).length;
    expect(named('note.sameExposure') > 0).toBe(way === 'together');
    expect(named('note.computedElectrode') > 0).toBe(way === 'together');
  });

  it('what is worked out is what the meter would have shown, within its uncertainty and a step', () => {
    for (const [model, samples] of [
      ['SM-35', { ph: '9', conductivity: '1000' }],
      ['PG-90', { ph: '9', conductivity: '5000' }],
    ] as const) {
      const of = (way: string) =>
        dips(model, { samples, schools: { dips: way } }, /./).lines.filter(
          (one) => one.found && /^(seven|four|ten|ec)/.test(one.point),
        );
      const [computed, shown] = [of('together'), of('apart')];
      expect(computed.map((one) => one.point)).toEqual(shown.map((one) => one.point));
      computed.forEach((line, index) => {
        const other = shown[index]!.found!;
        const step = line.measurand === 'pH' ? 0.01 : line.unit === 'mS/cm' ? 0.01 : 1;
        const apart = Math.abs(Number(line.found!.reading.text) - Number(other.reading.text));
        expect(apart, `${model} ${line.point}`).toBeLessThanOrEqual(Number(line.found!.expanded) + step);
      });
    }
  });

  it('a meter that does not say what it keeps is dipped for its as found first; as found only is never worked out', () => {
    const { lines } = dips('SM-11', { samples: { ph: '7.5', conductivity: '1000' } }, /./);
    expect(lines.every((one) => one.notes.every((note) => note.code !== 'note.computedElectrode'))).toBe(true);
    const only = flown('PG-90', 'sound', { service: 'asFoundOnly' });
    expect(only.run.state.readings.every((one) => one.inputs?.computed === undefined)).toBe(true);
  });
});
