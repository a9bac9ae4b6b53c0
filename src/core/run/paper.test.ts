import { describe, expect, it } from 'vitest';
import { certificateContent } from '../certificate/content';
import { sourceOf } from '../certificate/source.fixture';
import { notPlain } from '../results/not-plain';
import { afterWarmUp, asFound, FOUND, gas, openFourGas, prepare, readAll, wholeRun, ZERO } from './four-gas.fixture';
import { reduce } from './reduce';
import { secondsOnPaper } from './paper';

const PHOTO = 'a'.repeat(64);
const paper = (day = '2026-11-23', photos = [PHOTO]) => ({ type: 'takePaper' as const, day, by: 'Tess Bench', photos });

describe('entered from paper', () => {
  it('is refused for a day to come, one too long ago, another day than before, and where a line was read', () => {
    const run = openFourGas();
    expect(run.try(paper('2026-11-25'))).toMatchObject({ code: 'paperDay', field: 'day' });
    expect(run.try(paper('2026-09-01'))).toMatchObject({ code: 'paperDay', field: 'day' });
    expect(run.try(paper('2026-02-30'))).toMatchObject({ code: 'paperDay', field: 'day' });
    run.do(paper());
    expect(run.try(paper('2026-11-22'))).toMatchObject({ code: 'paperOtherDay', numbers: { day: '2026-11-23' } });
    const live = prepare(openFourGas());
    readAll(live, ZERO);
    live.state.readings[0]!.capture = { line: 'x', spread: '0', windowSeconds: 15 };
    expect(live.try(paper())).toMatchObject({ code: 'paperLive' });
  });
  it('stands before the signatory and on the document once, with who wrote; more photos join those before', () => {
    const run = openFourGas().do(paper());
    run.do(paper('2026-11-23', [PHOTO, 'b'.repeat(64)]));
    expect(run.state.paper).toMatchObject({ day: '2026-11-23', by: 'Tess Bench', photos: [PHOTO, 'b'.repeat(64)] });
    expect(run.state.deviations).toHaveLength(1);
    expect(
      notPlain(run.procedure, run.state)
        .map((one) => one.text)
        .join(),
    ).toContain('Written on paper on 2026-11-23 by Tess Bench');
    expect(reduce('run-1', JSON.parse(JSON.stringify(run.events)))).toEqual(run.state);
    const whole = wholeRun();
    whole.state.paper = run.state.paper;
    whole.state.deviations.push(...run.state.deviations);
    expect(JSON.stringify(certificateContent(sourceOf(whole)).deviations)).toContain('Written on paper on 2026-11-23');
  });
  it('asks for no waiting at the keys: a warm-up ends, a figure counts at once; without paper both ask why', () => {
    const typed = openFourGas();
    expect(typed.try({ type: 'completeStep', step: 'warm-up' })).toMatchObject({ code: 'tooEarly' });
    const run = openFourGas().do(paper());
    run.do({ type: 'completeStep', step: 'warm-up' });
    afterWarmUp(run);
    readAll(run, ZERO);
    gas(run, true);
    readAll(run, FOUND);
    expect(run.state.readings).toHaveLength(8);
    expect(run.state.deviations).toHaveLength(1);
  });
  it('books the gas that the procedure asks for, not that of a minute at the keys: 0.5 L/min × 45 s = 0.375 L', () => {
    const run = openFourGas().do(paper());
    run.do({ type: 'completeStep', step: 'warm-up' });
    afterWarmUp(run);
    expect(secondsOnPaper(run.procedure)).toBe(45);
    readAll(run, ZERO);
    gas(run, true);
    readAll(run, FOUND);
    gas(run, false);
    expect(run.state.stimuli.at(-1)?.litres).toBe('0.375');
    // Without paper the clock is the clock: 90 s here.
    expect(asFound(prepare(openFourGas())).state.stimuli[0]?.litres).toBe('0.75');
  });
});
