import { serialStream, type SerialPortLike } from '@/instruments/serial-stream';
import { SerialLine, type SerialAnswer, type SerialReport, type SerialView } from './serial-line';

interface SerialOfBrowser {
  requestPort(): Promise<SerialPortLike>;
  getPorts(): Promise<SerialPortLike[]>;
}
export const BAUD_RATES = [9600, 19_200, 38_400, 57_600, 115_200];
const CLOSED: SerialView = { phase: 'closed', words: '' };
const BAUD = 'werkbank-baud';
const IN_USE = 'werkbank-serial';

/** One port for the whole page: it stays open while a person goes from room to room. */
let line: SerialLine | null = null;
let view: SerialView = CLOSED;
const listeners = new Set<() => void>();

const serialOf = () => (navigator as Navigator & { serial?: SerialOfBrowser }).serial;
/** Not every browser has a serial port to give. */
export const hasSerialPorts = () => typeof navigator !== 'undefined' && serialOf() !== undefined;
export const serialView = () => view;
export const noSerialView = () => CLOSED;
export function listenToSerial(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
export const keptBaud = () => Number(localStorage.getItem(BAUD)) || 115_200;
export const keepBaud = (baudRate: number) => localStorage.setItem(BAUD, String(baudRate));

function show(next: SerialView): void {
  view = next;
  listeners.forEach((tell) => tell());
}

/** Asks the person for a port and reads it. Errors: none; what went wrong is shown. */
export async function openSerialPort(): Promise<void> {
  try {
    const port = await serialOf()!.requestPort();
    sessionStorage.setItem(IN_USE, 'yes');
    read(port);
  } catch (error) {
    // Nothing chosen is no fault.
    const none = error instanceof DOMException && error.name === 'NotFoundError';
    show(none ? CLOSED : { phase: 'closed', words: `The port can’t be opened: ${(error as Error).message}` });
  }
}

/** After the page was loaded anew: the one port that was granted before is read again. */
export async function reopenSerialPort(): Promise<void> {
  if (line || !hasSerialPorts() || sessionStorage.getItem(IN_USE) !== 'yes') return;
  const ports = await serialOf()!.getPorts();
  if (!line && ports.length === 1) read(ports[0]!);
}

export async function closeSerialPort(): Promise<void> {
  sessionStorage.removeItem(IN_USE);
  const mine = line;
  line = null;
  await mine?.close();
  show(CLOSED);
}

function read(port: SerialPortLike): void {
  const mine = new SerialLine(
    () => serialStream(port, { baudRate: keptBaud() }),
    crypto.randomUUID(),
    report,
    () => {
      if (line !== mine) return;
      if (mine.view.phase === 'closed') line = null;
      show(mine.view);
    },
  );
  line = mine;
  show(mine.view);
}

async function report(body: SerialReport): Promise<SerialAnswer> {
  try {
    const response = await fetch('/api/lines', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (response.ok) return { ok: true };
    const { message } = (await response.json()) as { message: string };
    return { ok: false, message, final: response.status >= 400 && response.status < 500 };
  } catch {
    return { ok: false, message: 'The workshop’s server can’t be reached just now; what is read is kept.', final: false };
  }
}
