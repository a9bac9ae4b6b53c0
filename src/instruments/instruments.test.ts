import { createServer, type AddressInfo, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { Said } from '@/core/live/said';
import { LineSplitter } from './line-splitter';
import { linkOver, type TextStream } from './link';
import { parseLine } from './parse-line';
import { serialStream, type SerialPortLike } from './serial-stream';
import { tcpStream } from './tcp-stream';

const FRAME = {
  type: 'frame',
  seconds: 12.5,
  mode: 'measure',
  readings: [
    { slot: 1, text: '20.9', status: 'value', raw: '0.512' },
    { slot: 2, text: '', status: 'fault' },
  ],
  pump: 'none',
  alarm: { on: false, latched: false, sound: false, light: false, vibration: false },
};
const line = (value: unknown) => JSON.stringify(value);

describe('lines from pieces', () => {
  it('are the same however the text was cut', () => {
    const texts = fc.array(
      fc.string({ maxLength: 20 }).map((text) => text.replace(/[\r\n]/g, '')),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(texts, fc.array(fc.nat(40), { maxLength: 20 }), (lines, cuts) => {
        const whole = lines.map((one) => `${one}\r\n`).join('');
        const splitter = new LineSplitter();
        const out: string[] = [];
        let at = 0;
        for (const cut of [...cuts, whole.length]) {
          out.push(...splitter.push(whole.slice(at, at + cut)));
          at = Math.min(whole.length, at + cut);
        }
        expect(out).toEqual(lines.map((one) => one.trim()).filter(Boolean));
      }),
    );
  });
  it('a line without end is dropped, and memory stays bounded; the next line is read again', () => {
    const splitter = new LineSplitter();
    for (let i = 0; i < 100; i += 1) expect(splitter.push('x'.repeat(10_000))).toEqual([]);
    expect(splitter.push('tail\n{"a":1}\n')).toEqual(['{"a":1}']);
    expect(splitter.dropped).toBe(1);
  });
});

describe('the one parser', () => {
  it('keeps digits as the display showed them, and strips what the protocol does not know', () => {
    const parsed = parseLine(line({ ...FRAME, extra: 'no', readings: [{ slot: 1, text: '0.50', status: 'value', more: 1 }] }));
    expect(parsed).toMatchObject({ ok: true, said: { readings: [{ slot: 1, text: '0.50', status: 'value' }] } });
    expect(JSON.stringify(parsed)).not.toContain('extra');
  });
  it.each([
    ['', 'notJson'],
    ['{"type":"frame"', 'notJson'],
    ['null', 'unknownType'],
    ['{"type":"__proto__"}', 'unknownType'],
    ['{"type":"toString"}', 'unknownType'],
    [line({ type: 'hello', protocol: 'other/9' }), 'otherProtocol'],
    [line({ ...FRAME, seconds: -1 }), 'badShape'],
    [line({ ...FRAME, seconds: '12' }), 'badShape'],
    [line({ ...FRAME, readings: [{ slot: 99, text: '1', status: 'value' }] }), 'badShape'],
    [line({ ...FRAME, readings: [{ slot: 1, text: '1e3', status: 'value' }] }), 'badShape'],
    [line({ ...FRAME, readings: [{ slot: 1, text: 'NaN', status: 'value' }] }), 'badShape'],
    [line({ ...FRAME, readings: [{ slot: 1, text: '1', status: 'perhaps' }] }), 'badShape'],
    [line({ ...FRAME, alarm: { on: true } }), 'badShape'],
    [line({ type: 'answer', id: 'k', ok: 'yes' }), 'badShape'],
  ])('%s is refused as %s', (text, code) => {
    expect(parseLine(text)).toMatchObject({ ok: false, code });
  });
  it('never throws, whatever a line carries', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        parseLine(text);
      }),
    );
  });
});

/** A stream in memory: what the program writes is heard by the test, which answers. */
function memoryStream(): TextStream & { say: (text: string) => void; cut: () => void; written: string[] } {
  const texts: ((piece: string) => void)[] = [];
  const closes: ((reason: string) => void)[] = [];
  const written: string[] = [];
  return {
    written,
    say: (text) => texts.forEach((listen) => listen(text)),
    cut: () => closes.forEach((listen) => listen('pulled')),
    onText: (listen) => void texts.push(listen),
    onClose: (listen) => void closes.push(listen),
    write: async (text) => void written.push(text),
    close: async () => undefined,
  };
}

describe('the protocol over a stream', () => {
  it('hands on what is said, tells of nonsense, and goes on after it', () => {
    const stream = memoryStream();
    const link = linkOver(stream);
    const said: Said[] = [];
    const nonsense: string[] = [];
    link.onSaid((one) => said.push(one));
    link.onNonsense((sentence) => nonsense.push(sentence));
    stream.say(`garbage\n${line(FRAME)}\n`);
    expect(said).toEqual([FRAME]);
    expect(nonsense).toHaveLength(1);
  });
  it('a key is answered by its id, in any order; without an answer, or with the line cut, it was not pressed', async () => {
    const stream = memoryStream();
    const link = linkOver(stream, 40);
    const [zero, span] = [link.press({ key: 'zero' }), link.press({ key: 'span', slot: 3, value: '25.0' })];
    const [first, second] = stream.written.map((text) => JSON.parse(text) as { id: string; key: string });
    expect(second).toMatchObject({ type: 'key', key: 'span', slot: 3, value: '25.0' });
    stream.say(
      `${line({ type: 'answer', id: second!.id, ok: false, why: 'no gas' })}\n${line({ type: 'answer', id: first!.id, ok: true })}\n`,
    );
    expect(await zero).toEqual({ ok: true });
    expect(await span).toEqual({ ok: false, why: 'no gas' });
    expect(await link.press({ key: 'save' })).toEqual({ ok: false, why: 'The instrument did not answer.' });
    const lost = link.press({ key: 'save' });
    stream.cut();
    expect(await lost).toMatchObject({ ok: false, why: expect.stringContaining('pulled') });
  });
});

describe('ways to connect', () => {
  const closing: (() => void)[] = [];
  afterEach(() => closing.splice(0).forEach((close) => close()));

  it('TCP: lines arrive, keys go out, a device that goes away is noticed, and a port without a device is an error', async () => {
    const sockets: Socket[] = [];
    const server = createServer((socket) => {
      sockets.push(socket);
      socket.on('data', (data) => {
        const { id } = JSON.parse(String(data)) as { id: string };
        socket.write(`${line({ type: 'answer', id, ok: true })}\n`);
      });
      socket.write(line(FRAME).slice(0, 30));
      setTimeout(() => socket.write(`${line(FRAME).slice(30)}\n`), 20);
    }).listen(0, '127.0.0.1');
    closing.push(() => server.close());
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    const link = linkOver(await tcpStream({ host: '127.0.0.1', port }));
    expect(await new Promise((resolve) => link.onSaid(resolve))).toEqual(FRAME);
    expect(await link.press({ key: 'acknowledge' })).toEqual({ ok: true });
    const gone = new Promise<string>((resolve) => link.onClose(resolve));
    sockets.forEach((socket) => socket.destroy());
    expect(await gone).toBe('closed by the device');
    await new Promise((resolve) => server.close(resolve));
    await expect(tcpStream({ host: '127.0.0.1', port })).rejects.toThrow(/ECONNREFUSED/);
  });

  it('the browser’s serial port: a sign cut in two bytes is put together, keys go out, unplugging is noticed', async () => {
    let feed!: ReadableStreamDefaultController<Uint8Array>;
    const written: string[] = [];
    const port: SerialPortLike & { opened?: number; closed?: boolean } = {
      open: async ({ baudRate }) => void (port.opened = baudRate),
      close: async () => void (port.closed = true),
      readable: new ReadableStream<Uint8Array>({ start: (controller) => void (feed = controller) }),
      writable: new WritableStream<Uint8Array>({ write: (chunk) => void written.push(new TextDecoder().decode(chunk)) }),
    };
    const link = linkOver(await serialStream(port, { baudRate: 9600 }));
    expect(port.opened).toBe(9600);
    const heard = new Promise<Said>((resolve) => link.onSaid(resolve));
    const bytes = new TextEncoder().encode(`${line({ type: 'notice', notice: 'saved', text: 'µS/cm' })}\n`);
    const inside = bytes.indexOf(0xc2) + 1;
    feed.enqueue(bytes.slice(0, inside));
    feed.enqueue(bytes.slice(inside));
    expect(await heard).toMatchObject({ notice: 'saved', text: 'µS/cm' });
    const pressed = link.press({ key: 'pump' });
    await expect.poll(() => written.length).toBe(1);
    feed.enqueue(
      new TextEncoder().encode(`${line({ type: 'answer', id: (JSON.parse(written[0]!) as { id: string }).id, ok: true })}\n`),
    );
    expect(await pressed).toEqual({ ok: true });
    const gone = new Promise<string>((resolve) => link.onClose(resolve));
    feed.close();
    expect(await gone).toBe('unplugged');
    await link.close();
    expect(port.closed).toBe(true);
  });
  it('a port that opens without a way in and out is an error, not a silent one', async () => {
    const dead: SerialPortLike = { open: async () => undefined, close: async () => undefined, readable: null, writable: null };
    await expect(serialStream(dead)).rejects.toThrow(/nothing to read/);
  });
});
