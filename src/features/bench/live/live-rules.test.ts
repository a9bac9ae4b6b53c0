import { describe, expect, it } from 'vitest';
import { matchChannels } from '@/core/live/match-channels';
import type { LiveLook } from '@/core/live/live-channel';
import type { ResponseCard } from '@/core/stability/response-card';
import { adjust, asFound, fourGasChannels, gas, openFourGas, prepare, readAll, ZERO } from '@/core/run/four-gas.fixture';
import { currentSteps } from '@/core/run/plan';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import type { ItemTopic } from '@/core/procedure/procedure';
import type { LineView } from '@/features/lines/server';
import { capturable, rulesFor } from './live-rules';
import { nextAction } from '../places/next-action';
import { spanValuesOf } from '../steps/span-values';
import { suggestAnswers } from '../steps/suggest-answers';

const match = matchChannels(
  INSTRUMENT_MODELS['OF-410']!.channels.map(({ channel }) => channel.info),
  fourGasChannels,
);
const look = (rest: Partial<LiveLook>): LiveLook => ({
  text: '98',
  status: 'value',
  raw: '0.7',
  stable: null,
  before: 0,
  secondsOfGas: 40,
  t50Seconds: 7,
  t90Seconds: 24,
  estimate: null,
  known: null,
  close: null,
  lately: null,
  trace: [],
  ...rest,
});
const samples = { n: 60, s: 0.4, correlation: 0.6, worth: 15 };
const settled = { text: '98', spread: '1', windowSeconds: 15, samples };
const nearly = { close: true as const, code: 'settled' as const, remaining: 0.83, standard: 0.48, sentence: '' };

describe('what a press of the capture key takes', () => {
  it('a settled value with its spread, window, response times and raw output', () => {
    expect(capturable(look({ stable: settled }), 'line', 'asLeft')).toEqual({
      text: '98',
      capture: { line: 'line', spread: '1', windowSeconds: 15, samples, t50Seconds: 7, t90Seconds: 24, raw: '0.7' },
    });
  });
  it('before the plateau as found only, and then what may still come is in its budget', () => {
    expect(capturable(look({ close: nearly }), 'line', 'asFound')!.capture.settling).toBe('0.830');
    for (const phase of ['asLeft', 'adjustment', 'check'] as const)
      expect(capturable(look({ close: nearly }), 'line', phase)).toBeNull();
  });
  it('where its model is known: proved near enough, in any phase; or known not to be so in three minutes, once they are over', () => {
    const known = { bound: 2.5, settled: true, notInTime: false, spread: '1' };
    for (const phase of ['asFound', 'asLeft', 'adjustment'] as const)
      expect(capturable(look({ known }), 'line', phase)).toMatchObject({
        text: '98',
        capture: { settling: '2.50', spread: '1', windowSeconds: 5 },
      });
    const never = { bound: 4.2, settled: false, notInTime: true, spread: '0' };
    expect(capturable(look({ known: never, secondsOfGas: 120 }), 'line', 'asLeft')).toBeNull();
    expect(capturable(look({ known: never, secondsOfGas: 180 }), 'line', 'asLeft')!.capture.settling).toBe('4.20');
    expect(capturable(look({ known: { ...never, notInTime: false }, secondsOfGas: 180 }), 'line', 'asLeft')).toBeNull();
  });
  it('a probe in a liquid that flutters is taken as it is after a while, one that drifts later; only as found, and never in gas', () => {
    const flutter = { middle: 98, spread: 4, perMinute: 1 };
    const drift = { middle: 98, spread: 2, perMinute: 8 };
    const take = (lately: LiveLook['lately'], secondsOfGas: number, phase: 'asFound' | 'asLeft' = 'asFound', liquid = true) =>
      capturable(look({ lately, secondsOfGas }), 'line', phase, { liquid });
    expect(take(flutter, 60)).toBeNull();
    expect(take(flutter, 80)).toMatchObject({ text: '98', capture: { spread: '4', perMinute: '0.0' } });
    expect(take(drift, 80)).toBeNull();
    expect(take(drift, 250)).toMatchObject({ text: '98', capture: { spread: '2', perMinute: '8.0' } });
    expect(take(flutter, 300, 'asLeft')).toBeNull();
    expect(take(flutter, 300, 'asFound', false)).toBeNull();
  });
  it('nothing while it moves, without a number, or without a line', () => {
    expect(capturable(look({}), 'line', 'asFound')).toBeNull();
    expect(capturable(look({ stable: settled, status: 'over' }), 'line', 'asFound')).toBeNull();
    expect(capturable(undefined, 'line', 'asFound')).toBeNull();
  });
});

describe('what readings are compared with at each step', () => {
  it('zero has its own tolerance; gas brings the change that it should make: oxygen falls, the others rise', () => {
    const run = prepare(openFourGas());
    const rules = () => rulesFor(run.procedure, run.state, currentSteps(run.procedure, run.state)[0], match);
    expect(rules()[4]).toEqual({ resolution: '1', tolerance: 2, expectedChange: null });
    readAll(run, ZERO);
    gas(run, true);
    const inGas = rules();
    expect(inGas[4]).toEqual({ resolution: '1', tolerance: 10, expectedChange: 100 });
    expect(inGas[1]!.expectedChange).toBeCloseTo(-2.9, 9);
    expect(inGas[2]).toMatchObject({ tolerance: 5, expectedChange: 50 });
  });
  it('what is known of a model’s sensors counts until the channel is set in this gas, and again in the next', () => {
    const run = prepare(openFourGas());
    const card = { dead: [0, 1], tau: [4, 15], slow: [0, 0.1], slower: [2, 6] } as ResponseCard;
    const known = () =>
      Object.entries(
        rulesFor(run.procedure, run.state, currentSteps(run.procedure, run.state)[0], match, { co: card, ex: card }),
      ).flatMap(([slot, rule]) => (rule.response ? [slot] : []));
    expect(known()).toEqual(['2', '4']);
    run.state.stimuli.push({
      slot: 'mix',
      means: 'valve',
      onAt: '',
      offAt: null,
      binding: null,
      onSeq: 5,
      offSeq: null,
      litres: null,
    });
    const set = {
      channels: ['c-co'],
      action: 'span',
      outcome: 'applied',
      readBack: {},
      at: '',
      by: '',
      step: '',
      iteration: 1,
      struck: false,
    } as const;
    run.state.adjustments.push({ ...set, channels: ['c-co'], seq: 4 });
    expect(known()).toEqual(['2', '4']);
    run.state.adjustments.push({ ...set, channels: ['c-co'], seq: 6 });
    expect(known()).toEqual(['2']);
  });
  it('span values are those of this bottle on this channel’s scale', () => {
    expect(spanValuesOf(prepare(openFourGas()).procedure, prepare(openFourGas()).state)).toMatchObject({
      'c-ex': '50',
      'c-co': '100',
    });
  });
  it('the next action says what, until when, and whether gas flows', () => {
    const run = openFourGas();
    expect(nextAction(run.procedure, run.state)).toEqual({
      title: 'Warm up',
      waitsUntil: '2026-11-24T08:05:00.000Z',
      gasSince: null,
    });
    readAll(prepare(run), ZERO);
    gas(run, true);
    expect(nextAction(run.procedure, run.state).gasSince).toBe(run.now.toISOString());
    const other = adjust(asFound(prepare(openFourGas())));
    expect(nextAction(other.procedure, other.state)).toMatchObject({ title: 'Gas off' });
  });
});

describe('what the instrument itself says to a question', () => {
  const line = {
    seenAt: '2026-11-25T08:00:00.000Z',
    hello: {
      channels: [{ slot: 1, measurand: 'carbon monoxide', fitted: true, alarmLow: '35', alarmHigh: '70' }],
      facts: {
        type: 'facts',
        clock: '2026-11-25T09:30:00.000Z',
        dueInDays: 12,
        peaks: [{ slot: 1, peak: '41' }],
        spanValues: [{ slot: 1, value: '100' }],
      },
    },
  } as unknown as LineView;
  const ask = (about: ItemTopic, answer: 'number' | 'text' | 'yesNo' = 'number') =>
    suggestAnswers([{ id: 'any', label: 'any', answer, about }], line).any;
  it('clock, own counter, peaks, stored span value, alarm points', () => {
    expect(ask('clock')).toBe('5400');
    expect(ask('ownCounter')).toBe('12');
    expect(ask('peaks', 'text')).toBe('carbon monoxide 41');
    expect([ask('storedSpan'), ask('alarmLow'), ask('alarmHigh')]).toEqual(['100', '35', '70']);
  });
  it('a yes is never said for a person, and without a line nothing is said', () => {
    expect(ask('clock', 'yesNo')).toBeUndefined();
    expect(suggestAnswers([{ id: 'clock', label: '', answer: 'number', about: 'clock' }], null)).toEqual({});
  });
});
