import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { TextStream } from '@/instruments/link';
import { SerialLine, type SerialAnswer, type SerialReport } from './serial-line';

const HELLO = {
  type: 'hello',
  protocol: 'werkbank-line/1',
  maker: 'Ordfell',
  model: 'OF-120',
  serial: 'S-1',
  firmware: '1',
  clock: '2026-11-26T08:00:00.000Z',
  keys: [],
  channels: [{ slot: 1, measurand: 'carbon monoxide', unit: 'ppm', resolution: '1', lowest: '0', highest: '500', fitted: true }],
};
const frame = (seconds: number) => ({
  type: 'frame',
  seconds,
  mode: 'measure',
  readings: [{ slot: 1, text: String(Math.round(seconds) % 100), status: 'value' }],
  pump: 'none',
  alarm: { on: false, latched: false, sound: false, light: false, vibration: false },
});

/** A port of our own: what comes in is decided by the test. */
function port() {
  let hear: (piece: string) => void = () => undefined;
  let end: (reason: string) => void = () => undefined;
  let closed = false;
  const stream: TextStream = {
    onText: (listen) => void (hear = listen),
    onClose: (listen) => void (end = listen),
    write: async () => undefined,
    close: async () => void (closed = true),
  };
  return {
    stream,
    say: (...lines: object[]) => hear(lines.map((one) => `${JSON.stringify(one)}\n`).join('')),
    text: (piece: string) => hear(piece),
    unplug: () => end('unplugged'),
    isClosed: () => closed,
  };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

async function begun(answer: () => SerialAnswer = () => ({ ok: true })) {
  const device = port();
  const sent: SerialReport[] = [];
  const line = new SerialLine(
    async () => device.stream,
    'screen-one',
    async (report) => {
      const said = answer();
      if (said.ok) sent.push(report);
      return said;
    },
  );
  await vi.advanceTimersByTimeAsync(10);
  return { device, sent, line };
}
const seconds = (sent: SerialReport[]) => sent.flatMap((one) => one.said.map((said) => (said as { seconds: number }).seconds));

describe('the device on this computer’s serial port', () => {
  it('says nothing before it is known who is there; then how the line is, once, and what is read about four times a second', async () => {
    const { device, sent, line } = await begun();
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent).toEqual([]);
    device.say(HELLO);
    await vi.advanceTimersByTimeAsync(300);
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ holder: 'screen-one', hello: { serial: 'S-1' }, state: { state: 'connected' }, said: [] });
    expect(line.view).toEqual({ phase: 'reading', words: 'Reads Ordfell OF-120 S-1.' });
    for (let i = 1; i <= 10; i += 1) {
      device.say(frame(i / 10));
      await vi.advanceTimersByTimeAsync(100);
    }
    expect(seconds(sent)).toEqual([0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1].slice(0, seconds(sent).length));
    expect(seconds(sent).length).toBeGreaterThan(6);
    expect(sent.length).toBeLessThan(7);
    expect(sent.slice(1).every((one) => one.state === null)).toBe(true);
    await line.close();
  });
  it('with nothing new it still says every few seconds that it is alive', async () => {
    const { device, sent, line } = await begun();
    device.say(HELLO);
    await vi.advanceTimersByTimeAsync(8000);
    expect(sent.length).toBeGreaterThanOrEqual(3);
    expect(sent.length).toBeLessThanOrEqual(5);
    await line.close();
  });
  it('while the server is out of reach all is kept in order, at most so much; then it is told', async () => {
    let there = true;
    const { device, sent, line } = await begun(() =>
      there ? { ok: true } : { ok: false, message: 'out of reach', final: false },
    );
    device.say(HELLO);
    await vi.advanceTimersByTimeAsync(300);
    there = false;
    for (let i = 1; i <= 8; i += 1) {
      device.say(frame(i));
      await vi.advanceTimersByTimeAsync(300);
    }
    expect(line.view).toEqual({ phase: 'away', words: 'out of reach' });
    expect(seconds(sent)).toEqual([]);
    there = true;
    await vi.advanceTimersByTimeAsync(300);
    expect(seconds(sent)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    there = false;
    for (let i = 9; i <= 1008; i += 1) {
      device.say(frame(i));
      if (i % 100 === 0) await vi.advanceTimersByTimeAsync(300);
    }
    there = true;
    await vi.advanceTimersByTimeAsync(600);
    const later = seconds(sent).slice(8);
    expect(later.length).toBeLessThanOrEqual(400);
    expect(later.at(-1)).toBe(1008);
    expect(later).toEqual([...later].sort((a, b) => a - b));
    await line.close();
  });
  it('what is no line of the protocol is dropped and counted, never sent', async () => {
    const { device, sent, line } = await begun();
    device.say(HELLO);
    device.text('garbage\n{"type":"frame"}\n');
    device.say(frame(1));
    await vi.advanceTimersByTimeAsync(600);
    expect(seconds(sent)).toEqual([1]);
    expect(sent.at(-1)!.state ?? sent[0]!.state).toMatchObject({ dropped: 2 });
    await line.close();
  });
  it('refused for good: it closes the port and says why', async () => {
    const { device, line } = await begun(() => ({ ok: false, message: 'Another screen reads it.', final: true }));
    device.say(HELLO);
    await vi.advanceTimersByTimeAsync(300);
    expect(line.view).toEqual({ phase: 'closed', words: 'Another screen reads it.' });
    expect(device.isClosed()).toBe(true);
  });
  it('unplugged: told as away with the reason; plugged in again it goes on by itself', async () => {
    const { device, sent, line } = await begun();
    device.say(HELLO);
    await vi.advanceTimersByTimeAsync(300);
    device.unplug();
    await vi.advanceTimersByTimeAsync(270);
    expect(sent.at(-1)!.state).toMatchObject({ state: 'away', reason: 'unplugged' });
    expect(line.view.phase).toBe('away');
    await vi.advanceTimersByTimeAsync(300);
    device.say(HELLO, frame(3));
    await vi.advanceTimersByTimeAsync(600);
    expect(line.view.phase).toBe('reading');
    expect(seconds(sent)).toEqual([3]);
    await line.close();
    expect(sent.at(-1)!.state).toMatchObject({ state: 'away', reason: 'Closed here.' });
  });
});
