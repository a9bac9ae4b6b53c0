import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FrameGuard } from './frame-guard';
import { matchChannels } from './match-channels';
import { LINE_PROTOCOL, type Frame, type Hello } from './said';
import { fourGasChannels } from '../run/four-gas.fixture';

const info = (slot: number, measurand: string, unit: string, highest: string) => ({
  slot,
  measurand,
  unit,
  resolution: '1',
  lowest: '0',
  highest,
  fitted: true,
});
const hello: Hello = {
  type: 'hello',
  protocol: LINE_PROTOCOL,
  maker: 'Ordfell',
  model: 'OF-410',
  serial: 'S-1',
  firmware: '1',
  clock: '2026-11-25T08:00:00.000Z',
  keys: [],
  channels: [info(1, 'oxygen', '%vol', '30'), info(4, 'carbon monoxide', 'ppm', '500')],
};
const frame = (seconds: number, readings: Frame['readings']): Frame => ({
  type: 'frame',
  seconds,
  mode: 'measure',
  readings,
  pump: 'none',
  alarm: { on: false, latched: false, sound: false, light: false, vibration: false },
});
const value = (slot: number, text: string, unit?: string) => ({
  slot,
  text,
  status: 'value' as const,
  ...(unit ? { unit } : {}),
});
const guard = () => {
  const one = new FrameGuard();
  one.hello(hello);
  return one;
};

describe('what a line says is looked at before anyone believes it', () => {
  it('time that runs backwards or stands is dropped; after a new hello it begins anew', () => {
    const one = guard();
    expect(one.check(frame(5, [value(4, '3')])).ok).toBe(true);
    expect(one.check(frame(5, [value(4, '3')]))).toMatchObject({ ok: false, code: 'backwards' });
    expect(one.check(frame(2, [value(4, '3')]))).toMatchObject({ ok: false, code: 'backwards' });
    one.hello(hello);
    expect(one.check(frame(2, [value(4, '3')])).ok).toBe(true);
  });
  it('an absurd figure, a wrong unit and an unknown slot are left out and named; the rest stands', () => {
    const checked = guard().check(frame(1, [value(1, '20.9'), value(4, '9999'), value(7, '1')]));
    expect(checked).toMatchObject({ ok: true, frame: { readings: [value(1, '20.9')] } });
    expect(checked.ok && checked.dropped).toEqual([
      'carbon monoxide 9999 ppm is outside anything its display can show',
      'slot 7 does not exist',
    ]);
    expect(guard().check(frame(1, [value(4, '100', 'mg/m³')]))).toMatchObject({ ok: false, code: 'nothingLeft' });
    expect(guard().check(frame(1, [value(4, '1'), value(4, '2')])).ok).toBe(true);
  });
  it('a reading before any hello is nobody’s', () => {
    expect(new FrameGuard().check(frame(1, [value(4, '1')]))).toMatchObject({ ok: false, code: 'noHello' });
  });
  it('never throws, whatever comes (2,000 frames)', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            seconds: fc.double(),
            slot: fc.integer(),
            text: fc.string(),
            unit: fc.option(fc.string(), { nil: undefined }),
          }),
        ),
        (given) => {
          const one = guard();
          for (const each of given)
            one.check(
              frame(each.seconds, [
                { slot: each.slot, text: each.text, status: 'value', ...(each.unit ? { unit: each.unit } : {}) },
              ]),
            );
        },
      ),
      { numRuns: 2000 },
    );
  });
});

describe('which slot feeds which channel', () => {
  it('by measurand, with the same unit; a pentane scale is a combustible channel all the same', () => {
    const infos = [
      info(1, 'oxygen', '%vol', '30'),
      info(2, 'pentane', '%LEL', '100'),
      info(3, 'hydrogen sulphide', 'mg/m³', '100'),
    ];
    const match = matchChannels(infos, fourGasChannels);
    expect(match['c-o2']).toEqual({ slot: 1 });
    expect(match['c-ex']).toEqual({ slot: 2 });
    expect(match['c-h2s']).toMatchObject({ problem: expect.stringContaining('shows mg/m³, the sheet expects ppm') });
    expect(match['c-co']).toMatchObject({ problem: expect.stringContaining('no channel for CO') });
  });
  it('a sensor that the instrument says is not fitted feeds nothing', () => {
    const match = matchChannels([{ ...info(4, 'carbon monoxide', 'ppm', '500'), fitted: false }], fourGasChannels);
    expect(match['c-co']).toMatchObject({ problem: expect.stringContaining('not fitted') });
  });
});
