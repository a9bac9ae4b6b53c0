import { connect, type Socket } from 'node:net';
import type { TextStream } from './link';

/** How long a device has to hang up by itself. */
const HANG_UP_MS = 500;

/** A device behind a TCP port. Errors: the connection's own, when it can't be made within the time. */
export function tcpStream({
  host,
  port,
  withinMs = 4000,
}: {
  host: string;
  port: number;
  withinMs?: number;
}): Promise<TextStream> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port });
    const timer = setTimeout(() => socket.destroy(new Error(`no connection to ${host}:${port} within ${withinMs} ms`)), withinMs);
    socket.setEncoding('utf8');
    socket.once('error', reject);
    socket.once('connect', () => {
      clearTimeout(timer);
      socket.off('error', reject);
      resolve(streamOf(socket));
    });
  });
}

/** An open socket as a stream of text. */
export function streamOf(socket: Socket): TextStream {
  socket.setEncoding('utf8');
  let reason = 'closed by the device';
  socket.on('error', (error) => (reason = error.message));
  return {
    onText: (listen) => void socket.on('data', (piece: string | Buffer) => listen(String(piece))),
    onClose: (listen) => void socket.once('close', () => listen(reason)),
    write: (text) => new Promise((resolve, reject) => socket.write(text, (error) => (error ? reject(error) : resolve()))),
    close: () =>
      new Promise((resolve) => {
        reason = 'closed here';
        if (socket.destroyed) return resolve();
        // A device that never reads would never hang up: it is given a moment.
        const timer = setTimeout(() => socket.destroy(), HANG_UP_MS);
        socket.once('close', () => {
          clearTimeout(timer);
          resolve();
        });
        socket.end();
      }),
  };
}
