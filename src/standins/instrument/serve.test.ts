import { connect, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import type { Frame, Hello, Said } from '@/core/live/said';
import { linkOver } from '@/instruments/link';
import { tcpStream } from '@/instruments/tcp-stream';
import { INSTRUMENT_MODELS } from './models';
import { serveInstrument, type Served } from './serve';
import { SimulatedInstrument } from './simulated-instrument';

let served: Served | null = null;
let panel: Socket | null = null;
afterEach(async () => {
  panel?.destroy();
  await served?.close();
  served = panel = null;
});

async function open() {
  served = await serveInstrument(new SimulatedInstrument(INSTRUMENT_MODELS['OF-410']!, 'S-77'), { speed: 100 });
  const link = linkOver(await tcpStream({ host: '127.0.0.1', port: served.port }));
  const said: Said[] = [];
  const nonsense: string[] = [];
  link.onSaid((one) => said.push(one));
  link.onNonsense((sentence) => nonsense.push(sentence));
  panel = connect({ host: '127.0.0.1', port: served.panelPort });
  const frames = () => said.filter((one): one is Frame => one.type === 'frame');
  return { link, said, nonsense, frames };
}

describe('a simulated instrument behind its ports, read by the program’s own path', () => {
  it('says who it is, streams frames that the one parser takes, follows the valve on the panel, and answers keys', async () => {
    const { link, said, nonsense, frames } = await open();
    await expect.poll(() => frames().length, { timeout: 5000 }).toBeGreaterThan(3);
    expect(said[0]).toMatchObject({ type: 'hello', serial: 'S-77', model: 'OF-410' } satisfies Partial<Hello>);
    expect((await link.press({ key: 'zero' })).ok).toBe(false);
    await expect.poll(() => frames().at(-1)!.mode, { timeout: 5000 }).toBe('measure');
    const carbonMonoxide = () => Number(frames().at(-1)!.readings[3]!.text);
    panel!.write(`not a line\n${JSON.stringify({ type: 'world', mixture: { O2: 18, CH4: 2.5, H2S: 25, CO: 100 } })}\n`);
    await expect.poll(carbonMonoxide, { timeout: 5000 }).toBeGreaterThan(95);
    expect(frames().at(-1)!.alarm.on).toBe(true);
    expect(await link.press({ key: 'acknowledge' })).toEqual({ ok: false, why: 'the gas is still there' });
    panel!.write(`${JSON.stringify({ type: 'world', mixture: null })}\n`);
    await expect.poll(carbonMonoxide, { timeout: 5000 }).toBeLessThan(3);
    expect(await link.press({ key: 'acknowledge' })).toEqual({ ok: true });
    expect(await link.press({ key: 'zero' })).toEqual({ ok: true });
    await expect.poll(() => said.some((one) => one.type === 'notice' && one.notice === 'zeroed')).toBe(true);
    expect((await link.press({ key: 'save' })).ok).toBe(true);
    expect(nonsense).toEqual([]);
  });
  it('two programs hear the same; one that leaves disturbs nobody', async () => {
    const first = await open();
    const second = linkOver(await tcpStream({ host: '127.0.0.1', port: served!.port }));
    let heard = 0;
    second.onSaid(() => (heard += 1));
    await expect.poll(() => heard).toBeGreaterThan(3);
    await second.close();
    const before = first.frames().length;
    await expect.poll(() => first.frames().length).toBeGreaterThan(before + 3);
  });
});
