import { describe, expect, it } from 'vitest';
import { estimateFinal } from '@/core/stability/estimate-final';
import { timeToShare } from '@/core/stability/response-times';
import { INSTRUMENT_MODELS } from './models';
import { SCENARIOS, type Scenario } from './scenario';
import { CLEAN_AIR, SimulatedInstrument } from './simulated-instrument';

/** 25 ppm H2S, 100 ppm CO, 2.5 %vol methane, 18 %vol oxygen: an ordinary four-gas mix (common practice). */
const MIX = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };
const warm = (scenario: Scenario = {}, model = 'OF-410', seed = 1) => {
  const instrument = new SimulatedInstrument(INSTRUMENT_MODELS[model]!, 'S-1', scenario, seed);
  instrument.tick(40);
  return instrument;
};
const after = (instrument: SimulatedInstrument, seconds: number) => {
  const notices = [];
  for (let i = 0; i < seconds * 4; i += 1) notices.push(...instrument.tick(0.25));
  return notices;
};
const shown = (instrument: SimulatedInstrument, slot: number) =>
  Number(instrument.frame().readings.find((one) => one.slot === slot)!.text);
const gas = (instrument: SimulatedInstrument, seconds = 120, mixture: Record<string, number> = MIX) => {
  instrument.world.mixture = mixture;
  return after(instrument, seconds);
};
const press = (
  instrument: SimulatedInstrument,
  key: 'zero' | 'span' | 'save' | 'acknowledge' | 'pump',
  slot?: number,
  value?: string,
) => instrument.press({ id: 'k', key, ...(slot ? { slot } : {}), ...(value ? { value } : {}) });

describe('a sound four-gas monitor', () => {
  it('shows clean air, then the mix on its scales: 2.5 %vol methane is 50 %LEL (NFPA 497 LEL; common practice), oxygen goes down', () => {
    const instrument = warm();
    expect([1, 2, 3, 4].map((slot) => shown(instrument, slot))).toEqual([
      expect.closeTo(20.9, 0),
      expect.closeTo(0, 0),
      expect.closeTo(0, 0),
      expect.closeTo(0, 0),
    ]);
    gas(instrument);
    expect(Math.abs(shown(instrument, 1) - 18)).toBeLessThanOrEqual(0.2);
    expect(Math.abs(shown(instrument, 2) - 50)).toBeLessThanOrEqual(1);
    // Carbon monoxide and hydrogen sulphide see a little of each other.
    expect(Math.abs(shown(instrument, 3) - 26)).toBeLessThanOrEqual(1);
    expect(Math.abs(shown(instrument, 4) - 101)).toBeLessThanOrEqual(2);
  });
  it('answers with a T90 of 15 to 30 s, as toxic sensors do (common practice), and the early estimate holds its final value', () => {
    const instrument = warm();
    instrument.world.mixture = MIX;
    const samples = [];
    for (let i = 0; i <= 240; i += 1) {
      samples.push({ seconds: i / 2, value: shown(instrument, 4) });
      instrument.tick(0.5);
    }
    const t90 = timeToShare({ samples, initial: 0, final: 101 })!;
    expect(t90).toBeGreaterThan(15);
    expect(t90).toBeLessThan(30);
    const early = estimateFinal({ samples: samples.slice(0, 120), resolution: 1, expectedChange: 100 });
    expect(early.value).not.toBeNull();
    expect(early.value !== null && early.low <= 101.25 && early.high >= 101.25).toBe(true);
  });
  it('alarms in gas, latched until it is acknowledged, which it refuses while the gas is there', () => {
    const instrument = warm();
    gas(instrument, 60);
    expect(instrument.frame().alarm).toEqual({ on: true, latched: true, sound: true, light: true, vibration: true });
    expect(press(instrument, 'acknowledge').answer.ok).toBe(false);
    gas(instrument, 240, CLEAN_AIR);
    expect(instrument.frame().alarm).toMatchObject({ on: false, latched: true });
    expect(press(instrument, 'zero').answer).toMatchObject({ ok: false, why: 'acknowledge the alarm first' });
    expect(press(instrument, 'acknowledge').notices).toEqual([{ type: 'notice', notice: 'acknowledged' }]);
    expect(instrument.frame().alarm.latched).toBe(false);
  });
  it('the same seed gives the same readings', () => {
    const [one, two] = [warm({}, 'OF-410', 7), warm({}, 'OF-410', 7)];
    gas(one, 30);
    gas(two, 30);
    expect(one.frame()).toEqual(two.frame());
  });
  it('refuses every calibration while it warms up', () => {
    const instrument = new SimulatedInstrument(INSTRUMENT_MODELS['OF-410']!, 'S-1');
    instrument.tick(5);
    expect(instrument.frame().mode).toBe('warmUp');
    expect(press(instrument, 'zero').answer).toMatchObject({ ok: false, why: 'still warming up' });
  });
});

/** In gas the alarm would bar the keys; these instruments have theirs out of reach. */
const spanIn = (instrument: SimulatedInstrument, slot: number, value?: string) => press(instrument, 'span', slot, value);

describe('zero and span', () => {
  const quiet = (scenario: Scenario = {}, model = 'OF-410') => {
    const base = INSTRUMENT_MODELS[model]!;
    const channels = base.channels.map(({ channel, sensor }) => ({
      sensor,
      channel: {
        ...channel,
        info: { ...channel.info, alarmLow: channel.info.measurand === 'oxygen' ? '0' : '9999', alarmHigh: '9999' },
      },
    }));
    const instrument = new SimulatedInstrument({ ...base, channels }, 'S-1', scenario);
    instrument.tick(40);
    return instrument;
  };
  it('zero takes away a background; span sets it to the bottle', () => {
    const instrument = quiet(SCENARIOS.dirtyBackground);
    after(instrument, 60);
    expect(shown(instrument, 4)).toBeGreaterThan(3);
    expect(press(instrument, 'zero').answer.ok).toBe(true);
    after(instrument, 1);
    expect(Math.abs(shown(instrument, 4))).toBeLessThanOrEqual(1);
    gas(instrument);
    expect(spanIn(instrument, 4, '100').notices).toContainEqual({ type: 'notice', notice: 'spanned', slot: 4 });
    after(instrument, 1);
    expect(Math.abs(shown(instrument, 4) - 100)).toBeLessThanOrEqual(1);
  });
  it('a zero with gas still there is refused, a span without gas as well', () => {
    const instrument = quiet();
    expect(spanIn(instrument, 4, '100')).toMatchObject({ answer: { ok: false }, notices: [{ notice: 'spanFailed', slot: 4 }] });
    gas(instrument);
    expect(press(instrument, 'zero', 4)).toMatchObject({ answer: { ok: false }, notices: [{ notice: 'zeroFailed', slot: 4 }] });
  });
  it('not saved in time is not calibrated: the old line stands again, and it says so', () => {
    const instrument = quiet();
    gas(instrument);
    const before = shown(instrument, 4);
    spanIn(instrument, 4, '120');
    after(instrument, 1);
    expect(instrument.frame().mode).toBe('unsaved');
    expect(Math.abs(shown(instrument, 4) - 120)).toBeLessThanOrEqual(2);
    expect(after(instrument, 61)).toContainEqual(expect.objectContaining({ notice: 'saveLost' }));
    expect(Math.abs(shown(instrument, 4) - before)).toBeLessThanOrEqual(2);
    expect(press(instrument, 'save').answer).toMatchObject({ ok: false, why: 'there is nothing to save' });
  });
  it('saved in time it stays; one that saves by itself needs no key', () => {
    const instrument = quiet();
    gas(instrument);
    spanIn(instrument, 4, '120');
    expect(press(instrument, 'save').notices).toEqual([{ type: 'notice', notice: 'saved' }]);
    expect(after(instrument, 90)).toEqual([]);
    expect(Math.abs(shown(instrument, 4) - 120)).toBeLessThanOrEqual(2);
    const other = quiet({}, 'VT-47');
    gas(other);
    expect(spanIn(other, 4).notices.map((notice) => notice.notice)).toEqual(['spanned', 'saved']);
  });
  it('a missed save key: it answers, keeps nothing, and loses the calibration', () => {
    const instrument = quiet(SCENARIOS.missedSave);
    gas(instrument);
    spanIn(instrument, 4, '120');
    expect(press(instrument, 'save')).toMatchObject({ answer: { ok: true }, notices: [] });
    expect(after(instrument, 61)).toContainEqual(expect.objectContaining({ notice: 'saveLost' }));
  });
  it('a dying sensor reads low and can’t be spanned', () => {
    const instrument = quiet(SCENARIOS.dyingToxic);
    gas(instrument);
    expect(shown(instrument, 3)).toBeLessThan(12);
    expect(spanIn(instrument, 3, '25.0')).toMatchObject({ answer: { ok: false }, notices: [{ notice: 'spanFailed', slot: 3 }] });
  });
});

describe('faults that a technician meets (common practice)', () => {
  it('a poisoned combustible sensor moves to 5 of 50; the estimate says nothing', () => {
    const instrument = warm(SCENARIOS.poisonedCombustible);
    instrument.world.mixture = MIX;
    const samples = [];
    for (let i = 0; i <= 160; i += 1) {
      samples.push({ seconds: i / 2, value: shown(instrument, 2) });
      instrument.tick(0.5);
    }
    expect(Math.abs(shown(instrument, 2) - 5)).toBeLessThanOrEqual(1);
    expect(estimateFinal({ samples, resolution: 1, expectedChange: 50 })).toMatchObject({ value: null, reason: 'barelyMoves' });
  });
  it('oxygen that does not fall', () => {
    const instrument = warm(SCENARIOS.stuckOxygen);
    gas(instrument);
    expect(Math.abs(shown(instrument, 1) - 20.9)).toBeLessThanOrEqual(0.2);
  });
  it('a slow sensor gets there, much later', () => {
    const [sound, slow] = [warm(), warm(SCENARIOS.slowResponse)];
    gas(sound, 30);
    gas(slow, 30);
    expect(shown(slow, 3)).toBeLessThan(shown(sound, 3) * 0.7);
    gas(slow, 400);
    expect(Math.abs(shown(slow, 3) - 26)).toBeLessThanOrEqual(1);
  });
  it('an absent sensor shows a fault and is named as not fitted; a dead buzzer is silent but lights; a wrong clock says so itself', () => {
    const absent = warm(SCENARIOS.absentSensor);
    expect(absent.frame().readings[2]).toEqual({ slot: 3, text: '', status: 'fault' });
    expect(absent.hello(new Date()).channels[2]!.fitted).toBe(false);
    expect(press(absent, 'zero', 3).answer).toMatchObject({ ok: false, why: 'there is no such channel' });
    const silent = warm(SCENARIOS.deadBuzzer);
    gas(silent, 60);
    expect(silent.frame().alarm).toMatchObject({ on: true, sound: false, light: true });
    const now = new Date('2026-11-25T08:00:00.000Z');
    expect(warm(SCENARIOS.wrongClock).hello(now).clock).toBe('2026-11-25T09:30:00.000Z');
  });
  it('a kinked tube lets nothing through, a weak pump less; a blocked inlet stops the pump after a few seconds', () => {
    const kinked = warm(SCENARIOS.kinkedTube, 'VT-47');
    gas(kinked, 60);
    expect(Math.abs(shown(kinked, 4))).toBeLessThanOrEqual(1);
    const [sound, weak] = [warm({}, 'VT-47'), warm(SCENARIOS.weakPump, 'VT-47')];
    gas(sound, 15);
    gas(weak, 15);
    expect(shown(weak, 4)).toBeLessThan(shown(sound, 4) * 0.8);
    sound.world.blocked = true;
    after(sound, 3);
    expect(sound.frame().pump).toBe('on');
    after(sound, 2);
    expect(sound.frame().pump).toBe('blocked');
    sound.world.blocked = false;
    after(sound, 1);
    expect(sound.frame().pump).toBe('on');
    expect(press(sound, 'pump').answer.ok).toBe(true);
    expect(sound.frame().pump).toBe('off');
    expect(press(warm(), 'pump').answer).toMatchObject({ ok: false, why: 'there is no pump' });
  });
  it('over the range it shows no number', () => {
    const instrument = warm();
    gas(instrument, 200, { ...MIX, CO: 900 });
    expect(instrument.frame().readings[3]).toMatchObject({ status: 'over', text: '' });
  });
});
