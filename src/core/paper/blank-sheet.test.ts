import { describe, expect, it } from 'vitest';
import { open, toTheEnd } from '@/procedures/plain-day.fixture';
import { PROCEDURES } from '@/procedures';
import { flatSteps } from '../procedure/flat-steps';
import { traitsOf } from '../record/state';
import { blankSheet } from './blank-sheet';
import { knownBeforehand } from './known-beforehand';

const sheetOf = (model: string) => {
  const { procedure, state } = open(model);
  const sheet = blankSheet({
    procedure,
    channels: state.channels,
    traits: traitsOf(state),
    schools: state.started?.schools ?? {},
    service: 'calibrate',
  });
  return { procedure, state, sheet };
};

describe('a blank sheet', () => {
  it.each(['OF-410', 'VT-47', 'OF-120', 'OF-125', 'BN-A', 'BN-G'])(
    '%s: every step of a plain day has its place on it',
    (model) => {
      const { sheet } = sheetOf(model);
      const run = toTheEnd(open(model));
      const done = Object.entries(run.state.steps).flatMap(([key, one]) =>
        one.status === 'done'
          ? [
              key
                .split('/')
                .at(-1)!
                .replace(/[[#~!].*$/, ''),
            ]
          : [],
      );
      const titles = new Set(sheet.map((one) => one.title));
      const missing = flatSteps(run.procedure.steps)
        .map((one) => one.step)
        .filter((step) => done.includes(step.id) && !titles.has(step.title));
      expect(missing.map((one) => one.title)).toEqual([]);
    },
  );
  it('has a place for each reading with its unit, boxes for answers, times for gas; outputs that are not fitted are not asked', () => {
    const { sheet, state } = sheetOf('OF-410');
    const reading = sheet.find((one) => one.blanks.some((blank) => blank.unit === '%LEL'))!;
    expect(reading.blanks.map((one) => one.label).join()).toContain(state.channels[0]!.label);
    expect(sheet.some((one) => one.blanks.some((blank) => blank.label === 'On at (time)'))).toBe(true);
    const alarms = (outputs: ('sound' | 'light')[]) =>
      blankSheet({
        procedure: sheetOf('OF-410').procedure,
        channels: state.channels,
        traits: { outputs },
        schools: {},
        service: 'calibrate',
      })
        .flatMap((one) => one.blanks)
        .filter((blank) => /vibrat/i.test(blank.label));
    expect(alarms(['sound', 'light'])).toEqual([]);
  });
  it('a channel that is not fitted has no place; every shipped procedure makes a sheet that holds no figure', () => {
    const { procedure, state } = sheetOf('OF-410');
    const without = blankSheet({
      procedure,
      channels: state.channels.filter((one) => one.role !== 'co'),
      traits: {},
      schools: {},
      service: 'calibrate',
    });
    expect(without.flatMap((one) => one.blanks).some((blank) => blank.label.startsWith('CO'))).toBe(false);
    for (const one of PROCEDURES) {
      const channels = one.channels.map(({ role, label }) => ({ role, label, unit: 'u' }));
      const sheet = blankSheet({ procedure: one, channels, traits: {}, schools: {}, service: 'calibrate' });
      expect(sheet.length, one.id).toBeGreaterThan(3);
      expect(
        sheet.flatMap((step) => step.blanks).every((blank) => blank.label.trim() !== ''),
        one.id,
      ).toBe(true);
    }
  });
  it('what is certain before the day is left in or out; what is only seen on the day says so', () => {
    const known = {
      roles: ['o2'],
      traits: { pumped: true as const },
      schools: { order: 'seven' },
      service: 'calibrate' as const,
    };
    expect(knownBeforehand({ is: 'channel', role: 'co' }, known)).toBe(false);
    expect(knownBeforehand({ not: { is: 'property', property: 'as-found-only' } }, known)).toBe(true);
    expect(knownBeforehand({ all: [{ is: 'property', property: 'pumped' }, { is: 'bumpFailed' }] }, known)).toBeNull();
    expect(knownBeforehand({ any: [{ is: 'property', property: 'pumped' }, { is: 'bumpFailed' }] }, known)).toBe(true);
    expect(knownBeforehand({ all: [{ is: 'channel', role: 'co' }, { is: 'bumpFailed' }] }, known)).toBe(false);
    expect(knownBeforehand({ is: 'school', school: 'order', option: 'any' }, known)).toBe(false);
    expect(knownBeforehand({ is: 'school', school: 'unknown', option: 'any' }, known)).toBeNull();
    expect(sheetOf('OF-410').sheet.some((one) => one.maybe)).toBe(true);
  });
});
