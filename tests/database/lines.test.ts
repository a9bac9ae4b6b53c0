import { randomUUID } from 'node:crypto';
import { createServer, type Server, type Socket } from 'node:net';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Frame, Hello } from '@/core/live/said';
import { isRefusal } from '@/core/words/refusal';
import { fourGasChannels } from '@/core/run/four-gas.fixture';
import { asset, liveFrame } from '@/data/schema';
import { giveCommand, loadRun } from '@/features/bench/server';
import {
  addLine,
  allLines,
  closeSilentBrowsers,
  framesAfter,
  Gateway,
  giveUpLease,
  heldByOther,
  holdHand,
  holdLease,
  keepTrace,
  readTrace,
  reportLine,
  type LineReport,
} from '@/features/lines/server';
import { liveIdOf, runChangeStream } from '@/platform/change-stream';
import { eq } from 'drizzle-orm';
import { countUsed, whereUsed } from '@/features/recall/server';
import { openWorld, type World } from './world';

let world: World;
const closers: (() => Promise<unknown>)[] = [];
const gateways: Gateway[] = [];
beforeAll(async () => {
  world = await openWorld();
});
// One that fails leaves no lease to the next.
afterEach(async () => {
  await Promise.all(gateways.splice(0).map((gateway) => gateway.stop()));
});
afterAll(async () => {
  await Promise.all(closers.map((close) => close()));
  await world.close();
});
const inTx = <T>(
  work: (context: {
    tx: Parameters<Parameters<World['db']['transaction']>[0]>[0];
    actor: World['technician'];
    now: Date;
  }) => Promise<T>,
) => world.db.transaction((tx) => work({ tx, actor: world.technician, now: new Date() }));

const asAdministrator = (context: Parameters<Parameters<typeof inTx>[0]>[0]) => ({
  ...context,
  actor: { ...context.actor, role: 'administrator' as const },
});
const hello = (serial: string): Hello => ({
  type: 'hello',
  protocol: 'werkbank-line/1',
  maker: 'Ordfell',
  model: 'OF-410',
  serial,
  firmware: '1.4b',
  clock: new Date().toISOString(),
  keys: [],
  channels: fourGasChannels.map((channel, index) => ({
    slot: index + 1,
    measurand: channel.measurand,
    unit: channel.unit,
    resolution: channel.resolution,
    lowest: channel.lowest,
    highest: channel.highest,
    fitted: true,
  })),
});
const frame = (seconds: number, co = '0'): Frame => ({
  type: 'frame',
  seconds,
  mode: 'measure',
  readings: [
    { slot: 1, text: '20.9', status: 'value' },
    { slot: 4, text: co, status: 'value' },
  ],
  pump: 'none',
  alarm: { on: false, latched: false, sound: false, light: false, vibration: false },
});

/** A device of a few lines of our own: what it says is decided by the test. */
async function device(serial: string) {
  const sockets = new Set<Socket>();
  const server: Server = createServer((socket) => {
    sockets.add(socket);
    socket.on('error', () => undefined).on('close', () => sockets.delete(socket));
    socket.write(`${JSON.stringify(hello(serial))}\n`);
  });
  const port = await new Promise<number>((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as { port: number }).port)),
  );
  const close = () =>
    new Promise((resolve) => {
      sockets.forEach((socket) => socket.destroy());
      server.close(resolve);
    });
  closers.push(close);
  const { id } = await inTx((context) =>
    addLine(asAdministrator(context), { kind: 'instrument', name: serial, host: '127.0.0.1', port, panelPort: null }),
  );
  return {
    id,
    port,
    close,
    listeners: () => sockets.size,
    say: (text: string) => sockets.forEach((socket) => socket.write(text)),
  };
}
async function started() {
  const gateway = new Gateway(world.db);
  gateway.start();
  gateways.push(gateway);
  return gateway;
}
const lineState = async (id: string) => (await inTx(({ tx }) => allLines(tx))).find((line) => line.id === id)!;
const frames = async (id: string) => inTx(({ tx }) => framesAfter(tx, [id], 0));

describe('the gateway', () => {
  it('connects, writes frames of about a quarter of a second, drops what is not in order with a count, and survives garbage', async () => {
    const gateway = await started();
    const serial = `G-${randomUUID().slice(0, 6)}`;
    const one = await device(serial);
    await expect.poll(async () => (await lineState(one.id)).state, { timeout: 8000 }).toBe('connected');
    expect(await lineState(one.id)).toMatchObject({ maker: 'Ordfell', serial });
    for (let i = 1; i <= 20; i += 1) one.say(`${JSON.stringify(frame(i / 10, String(i)))}\n`);
    one.say('garbage\n{"type":"frame"}\n{"half":');
    one.say(`1}\n${JSON.stringify(frame(0.5, '3'))}\n${JSON.stringify(frame(2.5, '99999'))}\n`);
    await expect.poll(async () => (await lineState(one.id)).dropped, { timeout: 5000 }).toBe(5);
    // The count of what was dropped is written before what was read: the readings are waited for too.
    const read = async () => (await frames(one.id)).flatMap((row) => row.said).filter((each) => each.type === 'frame').length;
    await expect.poll(read, { timeout: 5000 }).toBe(21);
    expect((await frames(one.id)).length).toBeLessThan(21);
    expect((await lineState(one.id)).droppedWhy).toContain('99999');
    await gateway.stop();
  });
  it('only one of two owns the lines; when it is gone the other takes over within the lease, and a lost device comes back', async () => {
    const [first, second] = [await started(), await started()];
    const one = await device(`G-${randomUUID().slice(0, 6)}`);
    await expect.poll(async () => (await lineState(one.id)).state, { timeout: 8000 }).toBe('connected');
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(one.listeners()).toBe(1);
    await first.stop();
    let seconds = 0;
    await expect
      .poll(
        async () => {
          seconds += 1;
          one.say(`${JSON.stringify(frame(seconds, '7'))}\n`);
          return (await frames(one.id)).length;
        },
        { timeout: 12_000, interval: 300 },
      )
      .toBeGreaterThan(0);
    expect(one.listeners()).toBe(1);
    await one.close();
    await expect.poll(async () => (await lineState(one.id)).state, { timeout: 5000 }).toBe('away');
    await second.stop();
  });
  it('a lease held by somebody alive is refused, its own is renewed, one that ran out is taken', async () => {
    expect(await holdLease(world.db, 'a')).toBe(true);
    expect(await holdLease(world.db, 'a')).toBe(true);
    expect(await holdLease(world.db, 'b')).toBe(false);
    await world.app.query(`update gateway_lease set until = now() - interval '1 second'`);
    expect(await holdLease(world.db, 'b')).toBe(true);
    await giveUpLease(world.db, 'a');
    expect(await holdLease(world.db, 'a')).toBe(false);
    await giveUpLease(world.db, 'b');
  });
  it('the same address is on the list once', async () => {
    const one = await device('TWICE');
    await expect(
      inTx((context) =>
        addLine(asAdministrator(context), {
          kind: 'instrument',
          name: 'again',
          host: '127.0.0.1',
          port: one.port,
          panelPort: null,
        }),
      ),
    ).rejects.toThrow(/on the list already/);
  });
});

describe('live frames in the stream', () => {
  const listen = (wanted: Parameters<typeof runChangeStream>[1]) => {
    const stop = new AbortController();
    const reader = runChangeStream(stop.signal, wanted).getReader();
    const texts: string[] = [];
    const reading = (async () => {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) return;
        texts.push(new TextDecoder().decode(value));
      }
    })();
    return {
      ids: () => texts.flatMap((text) => [...text.matchAll(/id: live~(\d+)/g)].map((match) => Number(match[1]))),
      stop: async () => (stop.abort(), reading),
    };
  };
  const write = async (line: string, said: object[]) => {
    const [row] = await world.db
      .insert(liveFrame)
      .values({ lineId: line, at: new Date(), said: said as Frame[] })
      .returning();
    const whole = JSON.stringify({ id: row!.id, line, at: row!.at.toISOString(), said });
    await world.app.query('select pg_notify($1, $2)', [
      'live',
      whole.length < 7000 ? whole : JSON.stringify({ id: row!.id, line }),
    ]);
    return row!.id;
  };
  it('resumes behind the last frame seen, loses none and repeats none; a long one is fetched; other lines stay silent', async () => {
    const [line, other] = [randomUUID(), randomUUID()];
    const before = [await write(line, [frame(1)]), await write(line, [frame(2)])];
    const one = listen({ lines: [line], lastEventId: `run/3~${before[0]}` });
    await expect.poll(one.ids, { timeout: 5000 }).toEqual([before[1]]);
    await write(other, [frame(1)]);
    const long = await write(
      line,
      Array.from({ length: 60 }, (_one, index) => frame(10 + index)),
    );
    const after = await write(line, [frame(99)]);
    await expect.poll(one.ids, { timeout: 5000 }).toEqual([before[1], long, after]);
    await one.stop();
    const again = listen({ lines: [line], lastEventId: `live~${long}` });
    await expect.poll(again.ids, { timeout: 5000 }).toEqual([after]);
    await again.stop();
  });
  it.each([
    ['live~17', 17],
    ['0c7e/4~9', 9],
    ['0c7e/4', null],
    ['', null],
    ['live~x', null],
  ])('%s resumes at %s', (id, expected) => expect(liveIdOf(id)).toBe(expected));
});

describe('a line that a browser reads off its serial port', () => {
  const CONNECTED = { state: 'connected' as const, reason: '', dropped: 0, droppedWhy: '' };
  const report = (serial: string, rest: Partial<LineReport> = {}) =>
    inTx((context) => reportLine(context, { holder: 'screen-one', hello: hello(serial), state: CONNECTED, said: [], ...rest }));
  const fresh = () => `B-${randomUUID().slice(0, 6)}`;

  it('is on the list as soon as the device says who it is; its frames are those of any line; nonsense is left out', async () => {
    const serial = fresh();
    const { line } = await report(serial, { said: [frame(1, '5'), { type: 'frame', wild: true }, frame(2, '6')] });
    expect(await lineState(line)).toMatchObject({ serial, via: 'browser', state: 'connected', kind: 'instrument' });
    expect((await report(serial, { state: null, said: [frame(3, '7')] })).line).toBe(line);
    expect((await frames(line)).map((row) => row.said.length)).toEqual([2, 1]);
    const { rows } = await world.app.query(`select subject from audit where action = 'openSerialPort' and subject like $1`, [
      `%${serial}`,
    ]);
    expect(rows).toHaveLength(1);
  });
  it('one screen a device, until that screen is silent; a device on a line of the gateway stays with the gateway', async () => {
    const serial = fresh();
    const { line } = await report(serial);
    await expect(report(serial, { holder: 'screen-two' })).rejects.toMatchObject({ status: 409 });
    await world.app.query(`update device_line set seen_at = now() - interval '30 seconds' where id = $1`, [line]);
    await closeSilentBrowsers(world.db);
    expect(await lineState(line)).toMatchObject({ state: 'away', reason: 'the screen that reads its serial port is gone' });
    expect((await report(serial, { holder: 'screen-two' })).line).toBe(line);
    await expect(report(serial)).rejects.toMatchObject({ status: 409 });
    const wired = fresh();
    const one = await device(wired);
    await world.app.query(`update device_line set maker = 'Ordfell', serial = $1, state = 'connected' where id = $2`, [
      wired,
      one.id,
    ]);
    await expect(report(wired)).rejects.toMatchObject({ status: 409 });
  });
  it('the gateway leaves it alone', async () => {
    const { line } = await report(fresh());
    const gateway = await started();
    await new Promise((resolve) => setTimeout(resolve, 1600));
    expect(await lineState(line)).toMatchObject({ state: 'connected', dropped: 0 });
    await gateway.stop();
  });
  it('who does not say who it is is not taken in, and nothing is written', async () => {
    const before = (await inTx(({ tx }) => allLines(tx))).length;
    await expect(report('x', { hello: { type: 'hello', maker: 'Nobody' } })).rejects.toMatchObject({ status: 400 });
    expect(await inTx(({ tx }) => allLines(tx))).toHaveLength(before);
  });
});

describe('readings off a line in a run', () => {
  /** A run that stands at its as-left zero, with its instrument on a line that shows these values. */
  async function atLine(text: string) {
    const { run, assetId } = await world.finishedRun({ stopAt: 'left-zero' });
    const [owner] = await world.db.select().from(asset).where(eq(asset.id, assetId));
    const one = await device(owner!.serial);
    await world.app.query(
      `update device_line set maker = 'Ordfell', serial = $1, hello = $2, state = 'connected' where id = $3`,
      [owner!.serial, JSON.stringify(hello(owner!.serial)), one.id],
    );
    await world.db
      .insert(liveFrame)
      .values([1, 2, 3].map((seconds) => ({ lineId: one.id, at: new Date(), said: [frame(seconds, text)] })));
    const co = (await inTx(({ tx }) => loadRun(tx, run)))!.state.channels.find((channel) => channel.role === 'co')!;
    const capture = (value: string, line = one.id, screen = 'screen-a') =>
      inTx((context) =>
        giveCommand(context, {
          run,
          commandId: randomUUID(),
          screen,
          command: {
            type: 'captureReading',
            step: 'left-zero',
            point: 'zero',
            channel: co.id,
            text: value,
            capture: { line, spread: '0', windowSeconds: 15 },
          },
        }),
      );
    return { run, one, capture, co };
  }
  it('a captured value must have been on the display; then it is on record as live, with spread and window', async () => {
    const { capture, run } = await atLine('1');
    const made = await capture('0');
    expect(isRefusal(made) && made.code).toBe('notShown');
    expect(isRefusal(await capture('1', randomUUID()))).toBe(true);
    expect(isRefusal(await capture('1'))).toBe(false);
    const { events } = (await inTx(({ tx }) => loadRun(tx, run)))!;
    expect(events.at(-1)).toMatchObject({
      type: 'readingCaptured',
      source: 'live',
      data: { capture: { spread: '0', windowSeconds: 15 }, reading: { text: '1' } },
    });
  });
  it('one screen captures, another is refused until it takes over; typing is open to both', async () => {
    const { capture, run, co } = await atLine('0');
    const hold = (screen: string, take = false) => inTx((context) => holdHand(context, { run, screen, take }));
    expect(await hold('screen-a')).toMatchObject({ mine: true });
    expect(await hold('screen-b')).toMatchObject({ mine: false, who: 'Tech' });
    const watched = await capture('0', undefined, 'screen-b');
    expect(isRefusal(watched) && watched.code).toBe('watching');
    expect(await hold('screen-b', true)).toMatchObject({ mine: true });
    expect(await inTx(({ tx }) => heldByOther({ tx }, run, 'screen-a'))).toBe('Tech');
    const typed = await inTx((context) =>
      giveCommand(context, {
        run,
        commandId: randomUUID(),
        screen: 'screen-a',
        command: { type: 'captureReading', step: 'left-zero', point: 'zero', channel: co.id, text: '0' },
      }),
    );
    expect(isRefusal(typed)).toBe(false);
  });
  it('the trace is kept with the run, compressed and bounded, and a changed byte is found', async () => {
    const { run, one } = await atLine('0');
    const [from, to] = [new Date(Date.now() - 60_000), new Date()];
    const many = Array.from({ length: 13_000 }, (_one, index) => frame(10 + index / 10));
    await world.db.insert(liveFrame).values({ lineId: one.id, at: new Date(), said: many });
    const kept = (await inTx(({ tx }) =>
      keepTrace(tx, { run, step: 'x', line: one.id, from, to: new Date(to.getTime() + 5000) }),
    ))!;
    expect(kept.frames).toBeLessThanOrEqual(6000);
    const trace = (await inTx(({ tx }) => readTrace(tx, run, kept.id)))!;
    expect(trace).toMatchObject({ schema: 'werkbank-trace/1', everyNth: 3, instrument: { maker: 'Ordfell' } });
    // Found by the firmware that it said it runs, whatever the case.
    const asked = { what: 'firmware' as const, of: '1.4B', zone: 'UTC' };
    expect((await inTx(({ tx }) => whereUsed(tx, asked))).rows.map((row) => row.runId)).toEqual([run]);
    expect(await inTx(({ tx }) => countUsed(tx, { ...asked, of: '2' }))).toMatchObject({ runs: 0 });
    const { rows } = await world.app.query('select length(bytes) as size from run_trace where id = $1', [kept.id]);
    expect(rows[0].size).toBeLessThan(JSON.stringify(trace).length / 5);
    await expect(world.app.query('update run_trace set hash = $1 where id = $2', ['0', kept.id])).rejects.toThrow(
      /permission|record/,
    );
    await world.superuser.query(
      `alter table run_trace disable trigger no_change; update run_trace set hash = 'x' where id = '${kept.id}'; alter table run_trace enable trigger no_change`,
    );
    await expect(inTx(({ tx }) => readTrace(tx, run, kept.id))).rejects.toThrow(/was changed/);
    expect(await inTx(({ tx }) => readTrace(tx, randomUUID(), kept.id))).toBeNull();
  });
});
