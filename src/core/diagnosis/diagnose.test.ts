import { describe, expect, it } from 'vitest';
import type { MeasurandId } from '../quantity/unit';
import { diagnose } from './diagnose';
import type { BenchFacts, CauseCode, ChannelFacts } from './facts';
import { nextTest } from './next-test';

const sound = (channel: string, measurand: MeasurandId, rest: Partial<ChannelFacts> = {}): ChannelFacts => ({
  channel,
  label: channel,
  measurand,
  share: 1,
  t90Seconds: 20,
  zeroInTolerances: 0,
  ...rest,
});
const four = (rest: Partial<Record<'o2' | 'ex' | 'h2s' | 'co', Partial<ChannelFacts>>> = {}): ChannelFacts[] => [
  sound('o2', 'oxygen', rest.o2),
  sound('ex', 'methane', rest.ex),
  sound('h2s', 'hydrogen sulphide', rest.h2s),
  sound('co', 'carbon monoxide', rest.co),
];
const all = (change: Partial<ChannelFacts>) => four({ o2: change, ex: change, h2s: change, co: change });

/** True cause, what is measured, and the look-alike that the next test has to tell it from (common practice). */
const CASES: [CauseCode, BenchFacts, CauseCode | null][] = [
  ['poisonedSensor', { pumped: false, channels: four({ ex: { share: 0.1 } }) }, 'fadedGas'],
  ['stuckSensor', { pumped: false, channels: four({ o2: { share: 0.01 } }) }, 'dyingSensor'],
  ['slowSensor', { pumped: false, channels: four({ h2s: { share: 0.8, t90Seconds: 120 } }) }, 'dyingSensor'],
  ['dyingSensor', { pumped: false, channels: four({ h2s: { share: 0.35, health: 0.35, ageMonths: 30 } }) }, 'fadedGas'],
  [
    'fadedGas',
    { pumped: false, bottleMonthsLeft: 2, channels: four({ h2s: { share: 0.7, health: 0.7, ageMonths: 8 } }) },
    'dyingSensor',
  ],
  [
    'dirtyBackground',
    {
      pumped: false,
      zeroMeans: 'cleanAir',
      channels: [sound('voc', 'volatile organics', { share: null, zeroInTolerances: 15 })],
    },
    'spentScrubber',
  ],
  [
    'spentScrubber',
    {
      pumped: false,
      zeroMeans: 'scrubber',
      channels: [sound('co2', 'carbon dioxide', { share: null, zeroInTolerances: 5, openAirInTolerances: 8.6 })],
    },
    'dirtyBackground',
  ],
  [
    'kinkedTube',
    { pumped: true, pump: 'blocked', regulator: 'demand', channels: all({ share: 0, t90Seconds: null }) },
    'closedValve',
  ],
  ['closedValve', { pumped: true, pump: 'on', regulator: 'demand', channels: all({ share: 0, t90Seconds: null }) }, 'kinkedTube'],
  ['weakPump', { pumped: true, pump: 'on', regulator: 'demand', channels: all({ share: 0.95, t90Seconds: 70 }) }, 'kinkedTube'],
  [
    'wrongRegulator',
    { pumped: true, pump: 'blocked', regulator: 'fixed', channels: all({ share: 0.95, t90Seconds: 70 }) },
    'weakPump',
  ],
  ['missedSave', { pumped: false, saveLost: true, channels: four() }, null],
  ['deadOutput', { pumped: false, outputs: { sound: false, light: true, vibration: true }, channels: four() }, null],
  ['wrongClock', { pumped: false, clockOffSeconds: 5400, channels: four() }, null],
  ['absentSensor', { pumped: false, channels: four({ h2s: { share: null, shows: 'fault' } }) }, 'dyingSensor'],
];

describe('ranked causes', () => {
  it.each(CASES)('%s is among the first two', (cause, facts) => {
    const ranked = diagnose(facts);
    expect(ranked.slice(0, 2).map((one) => one.code)).toContain(cause);
    expect(ranked[0]!.because.length).toBeGreaterThan(0);
  });
  it.each(CASES.filter((one) => one[2] !== null))('the next test for %s tells it from its look-alike', (cause, _facts, other) => {
    expect(nextTest(cause, other).tells).toContain(other);
  });
  it('what works needs no cause', () => {
    expect(
      diagnose({
        pumped: true,
        pump: 'on',
        channels: four(),
        clockOffSeconds: 30,
        outputs: { sound: true, light: true, vibration: true },
      }),
    ).toEqual([]);
  });
  it('faded gas is no longer suspected when the same bottle just served another instrument', () => {
    const facts: BenchFacts = { pumped: false, channels: four({ h2s: { share: 0.7 } }) };
    expect(diagnose(facts).map((one) => one.code)).toContain('fadedGas');
    expect(diagnose({ ...facts, bottleProvedByOther: true }).map((one) => one.code)).not.toContain('fadedGas');
  });
  it('one low channel is its sensor or its gas, all of them together are flow: the same share ranks another cause', () => {
    const alone = diagnose({ pumped: true, pump: 'on', regulator: 'demand', channels: four({ co: { share: 0.6 } }) })[0]!;
    const together = diagnose({
      pumped: true,
      pump: 'on',
      regulator: 'demand',
      channels: all({ share: 0.6, t90Seconds: 90 }),
    })[0]!;
    expect(alone.code).toBe('dyingSensor');
    expect(['weakPump', 'wrongRegulator', 'kinkedTube']).toContain(together.code);
  });
  it('a flow meter that shows too little speaks for the pump', () => {
    const slow: BenchFacts = { pumped: true, pump: 'on', regulator: 'demand', channels: all({ t90Seconds: 70 }) };
    const score = (facts: BenchFacts) => diagnose(facts).find((one) => one.code === 'weakPump')!.score;
    expect(score({ ...slow, flowMeasured: 0.2, flowMeant: 0.5 })).toBeGreaterThan(score(slow));
  });
});
