import { describe, expect, it } from 'vitest';
import { wholeRun } from '../run/four-gas.fixture';
import type { RunState } from '../record/state';
import { coversAll, failedIn, leftUncovered } from './failed';
import { lateSentence, notPlain } from './not-plain';

/** A whole four-gas run on which nothing went wrong, with what happened beside it. */
const whole = wholeRun();
const { procedure } = whole;
const day = (beside: Partial<RunState>): RunState => ({ ...whole.state, ...beside });
const said = (beside: Partial<RunState>) =>
  notPlain(procedure, day(beside)).map(({ kind, weight, text }) => `${weight} ${kind}: ${text}`);
const at = '2026-11-27T09:00:00.000Z';
const mark = { seq: 900, at, by: 'Tess Bench', step: 's' };

describe('what a signatory looks at first', () => {
  it('what was bad comes before what is only out of the ordinary, in whatever order it happened', () => {
    const own = said({ saves: [] });
    const all = said({
      notes: [{ text: 'Clip is worn.', ...mark }],
      cares: [{ action: 'filter cleaned', resets: [], ...mark }],
      saves: [
        { evidence: 'readBack', outcome: 'saved', readBack: '2026-11-27', ...mark },
        { evidence: 'readBack', outcome: 'lost', ...mark },
        { evidence: 'automatic', outcome: 'saved', ...mark },
      ],
    }).filter((line) => !own.includes(line));
    expect(all).toEqual([
      'bad readBack: A save was lost (read back: —).',
      'look care: Care: filter cleaned.',
      'look readBack: Read back after saving: 2026-11-27.',
      'look note: Clip is worn.',
    ]);
  });
  it('names parts with both serials, settings with who agreed, channels by their label or, where it is gone, by what was recorded', () => {
    const all = said({
      parts: [
        { channel: 'c-co', part: 'Sensor', oldSerial: 'A1', newSerial: 'A2', ...mark },
        { channel: 'c-co', part: 'Filter', newSerial: 'F9', ...mark },
      ],
      settings: [
        { setting: 'Low alarm, CO', before: '30', after: '35', agreedBy: 'the customer', ...mark },
        { setting: 'Clock', before: '08:10', after: '09:10', ...mark },
      ],
      channelsSet: [
        { channel: 'c-h2s', status: 'removed', reason: 'empty socket', ...mark },
        { channel: 'c-gone', status: 'notCalibrated', reason: 'not asked for', ...mark },
      ],
      deviations: [{ what: 'Warm-up cut short', reason: 'was on already', ...mark }],
    });
    for (const line of [
      'look part: Sensor replaced: A1 by A2.',
      'look part: Filter replaced: — by F9.',
      'look setting: Low alarm, CO changed from 30 to 35; agreed by the customer.',
      'look setting: Clock changed from 08:10 to 09:10; agreed by —.',
      'look channel: H₂S is not fitted: empty socket.',
      'look channel: c-gone was not calibrated at this visit: not asked for.',
      'look deviation: Warm-up cut short. was on already',
    ])
      expect(all).toContain(line);
  });
  it('told late by a minute or two is to be looked at; by more than an hour it is bad', () => {
    const late = (...seconds: number[]): Partial<RunState> => ({
      late: seconds.map((one) => ({ seq: 9, at, seconds: one })),
    });
    const weight = (state: Partial<RunState>) => notPlain(procedure, day(state)).find((one) => one.kind === 'late')?.weight;
    expect(lateSentence(day({}))).toBeNull();
    expect(weight(late())).toBeUndefined();
    expect(weight(late(20, 900))).toBe('look');
    expect(weight(late(3600))).toBe('look');
    expect(weight(late(20, 3601))).toBe('bad');
    expect(lateSentence(day(late(20, 900)))).toMatch(/15/);
    // Half a minute is no "0 min".
    expect(lateSentence(day(late(20)))).toMatch(/1 min/);
  });
});

describe('what failed, and what a later run covers of it', () => {
  const bump = (change: object): RunState =>
    day({
      bumps: [
        {
          method: 'watched',
          channels: { 'c-co': { moved: true, rightWay: true }, 'c-o2': { moved: true, rightWay: true } },
          outputs: { sound: true, light: true },
          outcome: 'passed',
          ...mark,
          ...change,
        },
      ],
    } as Partial<RunState>);
  const nothing = { channels: [], moved: [], outputs: [], items: [] };

  it('a run without a fault failed in nothing; nothing is covered by anything', () => {
    expect(failedIn(procedure, whole.state)).toEqual(nothing);
    expect(coversAll(leftUncovered(nothing, whole))).toBe(true);
  });
  it('a failed bump names channels that did not move or moved the wrong way, and outputs that were watched and silent; what nobody could tell is neither', () => {
    const failed = bump({
      outcome: 'failed',
      channels: { 'c-o2': { moved: true, rightWay: false }, 'c-ex': { moved: false }, 'c-co': { moved: true } },
      outputs: { sound: false, light: true },
    });
    expect(failedIn(procedure, failed)).toMatchObject({ moved: ['c-o2', 'c-ex'], outputs: ['sound'] });
    expect(failedIn(procedure, bump({}))).toMatchObject({ moved: [], outputs: [] });
  });
  it('a channel is covered by results within as left; one that did not move by a bump as well', () => {
    const failed = { ...nothing, channels: ['c-co', 'c-gone'], moved: ['c-o2', 'c-gone'] };
    expect(leftUncovered(failed, whole)).toMatchObject({ channels: ['c-gone'], moved: ['c-gone'] });
    const bumped = { procedure, state: bump({ channels: { 'c-gone': { moved: true } } }) };
    expect(leftUncovered(failed, bumped)).toMatchObject({ channels: ['c-gone'], moved: [] });
  });
  it('an output is covered only by being watched, at its question or in a bump that passed', () => {
    const failed = { ...nothing, outputs: ['vibration' as const] };
    expect(coversAll(leftUncovered(failed, whole))).toBe(true);
    const unwatched = { steps: { ...whole.state.steps, alarms: { ...whole.state.steps.alarms!, status: 'skipped' as const } } };
    const after = (state: RunState) => leftUncovered(failed, { procedure, state: { ...state, ...unwatched } }).outputs;
    expect(after(whole.state)).toEqual(['vibration']);
    expect(after(bump({ outputs: { vibration: true } }))).toEqual([]);
    expect(after(bump({ outcome: 'failed', outputs: { vibration: true } }))).toEqual(['vibration']);
  });
  it('a question that was answered badly is covered by the same question answered well, not by a worse answer or another question', () => {
    const asked = Object.keys(whole.state.answers).find((key) => whole.state.answers[key]!.value === 'pass')!;
    const item = { question: asked, label: 'As asked' };
    expect(leftUncovered({ ...nothing, items: [item] }, whole).items).toEqual([]);
    const worse = { ...whole.state.answers, [asked]: { value: 'fault', note: 'again', seq: 900 } };
    expect(leftUncovered({ ...nothing, items: [item] }, { procedure, state: day({ answers: worse }) }).items).toEqual([item]);
    expect(leftUncovered({ ...nothing, items: [{ question: 'never/asked', label: 'Never' }] }, whole).items).toHaveLength(1);
  });
});
