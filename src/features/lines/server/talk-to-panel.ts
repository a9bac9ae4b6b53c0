import { connect } from 'node:net';

const ANSWER_WITHIN_MS = 3000;
/** A panel that says more than this without ending its line is no panel. */
const LONGEST_ANSWER = 256_000;

/** Says one thing to a stand-in's panel port and gives back its one line. Nothing thrown here leaves it otherwise than as its own rejection. Errors: Error in words. */
export function talkToPanel(host: string, port: number, ask: object): Promise<Record<string, unknown>> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port });
    const away = (why: string) => {
      clearTimeout(timer);
      socket.destroy();
      reject(new Error(why));
    };
    const timer = setTimeout(() => away('no answer in time'), ANSWER_WITHIN_MS);
    let text = '';
    socket.setEncoding('utf8');
    socket.on('error', (error) => away(error.message));
    socket.on('close', () => away('it hung up'));
    socket.on('connect', () => socket.write(`${JSON.stringify(ask)}\n`));
    socket.on('data', (piece) => {
      text += String(piece);
      if (text.length > LONGEST_ANSWER) return away('its answer has no end');
      if (!text.includes('\n')) return;
      const answer = objectIn(text.split('\n')[0]!);
      if (!answer) return away('its answer can’t be read');
      clearTimeout(timer);
      socket.removeAllListeners('close');
      socket.end();
      resolve(answer);
    });
  });
}

function objectIn(line: string): Record<string, unknown> | null {
  try {
    const value: unknown = JSON.parse(line);
    return value && typeof value === 'object' && !Array.isArray(value) ? (value as Record<string, unknown>) : null;
  } catch {
    return null;
  }
}
