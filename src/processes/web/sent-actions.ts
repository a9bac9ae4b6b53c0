import type { IncomingMessage, ServerResponse } from 'node:http';

const MOST_KEPT = 6_000_000;

/**
 * A server action whose body is cut off or no JSON ends in 500 inside the framework, before any code of ours: here it becomes 400, what it is. Only bodies of actions are looked at, and only where the answer would be 500.
 */
export function sayWhatWasSent(request: IncomingMessage, response: ServerResponse): void {
  if (request.method !== 'POST' || !request.headers['next-action']) return;
  const pieces: Buffer[] = [];
  let size = 0;
  const push = request.push.bind(request);
  request.push = (piece: Buffer | null, encoding?: BufferEncoding) => {
    if (piece && size < MOST_KEPT) {
      pieces.push(Buffer.from(piece));
      size += piece.length;
    }
    return push(piece, encoding);
  };
  const writeHead = response.writeHead.bind(response) as (...parts: unknown[]) => ServerResponse;
  response.writeHead = ((status: number, ...rest: unknown[]) =>
    writeHead(status === 500 && !isWhole(request, pieces) ? 400 : status, ...rest)) as typeof response.writeHead;
}

function isWhole(request: IncomingMessage, pieces: Buffer[]): boolean {
  if (!(request.headers['content-type'] ?? '').startsWith('text/plain')) return true;
  try {
    JSON.parse(Buffer.concat(pieces).toString());
    return true;
  } catch {
    return false;
  }
}
