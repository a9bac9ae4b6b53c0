import type { Key, Said } from '@/core/live/said';
import { LineSplitter } from './line-splitter';
import { parseLine } from './parse-line';

/** A way for text to go to and fro: a TCP socket, a serial port, or a test's own. */
export interface TextStream {
  onText(listen: (piece: string) => void): void;
  onClose(listen: (reason: string) => void): void;
  write(text: string): Promise<void>;
  close(): Promise<void>;
}

export interface InstrumentLink {
  /** Presses a key and waits for the instrument's answer. */
  press(key: Omit<Key, 'type' | 'id'>): Promise<{ ok: boolean; why?: string }>;
  onSaid(listen: (said: Said) => void): void;
  /** Lines that could not be read: shown, never guessed at. */
  onNonsense(listen: (sentence: string) => void): void;
  onClose(listen: (reason: string) => void): void;
  close(): Promise<void>;
}

const ANSWER_WITHIN_MS = 5000;

/** The protocol over any stream: one parser, one way to press keys. A key without an answer within five seconds counts as not pressed. */
export function linkOver(stream: TextStream, answerWithinMs = ANSWER_WITHIN_MS): InstrumentLink {
  const splitter = new LineSplitter();
  const listeners: ((said: Said) => void)[] = [];
  const nonsense: ((sentence: string) => void)[] = [];
  const waiting = new Map<string, (answer: { ok: boolean; why?: string }) => void>();
  let keys = 0;
  stream.onText((piece) => {
    for (const line of splitter.push(piece)) {
      const parsed = parseLine(line);
      if (!parsed.ok) {
        nonsense.forEach((listen) => listen(parsed.sentence));
        continue;
      }
      const { said } = parsed;
      if (said.type === 'answer') waiting.get(said.id)?.({ ok: said.ok, ...(said.why ? { why: said.why } : {}) });
      listeners.forEach((listen) => listen(said));
    }
  });
  stream.onClose((reason) => waiting.forEach((settle) => settle({ ok: false, why: `The connection was lost: ${reason}.` })));
  return {
    onSaid: (listen) => void listeners.push(listen),
    onNonsense: (listen) => void nonsense.push(listen),
    onClose: (listen) => stream.onClose(listen),
    close: () => stream.close(),
    press: (key) =>
      new Promise((resolve) => {
        keys += 1;
        const id = `key-${keys}`;
        const settle = (answer: { ok: boolean; why?: string }) => {
          clearTimeout(timer);
          waiting.delete(id);
          resolve(answer);
        };
        const timer = setTimeout(() => settle({ ok: false, why: 'The instrument did not answer.' }), answerWithinMs);
        waiting.set(id, settle);
        stream
          .write(`${JSON.stringify({ type: 'key', id, ...key } satisfies Key)}\n`)
          .catch((error: Error) => settle({ ok: false, why: error.message }));
      }),
  };
}
