import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { SESSION_COOKIE } from '@/platform/session-cookie';
import { networkOf, PEER_HEADER, peerAddressBy } from '@/platform/peer-address';
import { sayWhatWasSent } from './sent-actions';
import { isPublicDoor } from './public-doors';

type Handler = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

/** How many requests a stranger may make in ten seconds from one network: a hall full of people who check a code, not a program. */
const STRANGER_POINTS = 200;
const STRANGER_SECONDS = 10;
/** Slow or idle peers hold a socket no longer than this. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 120_000;
const KEEP_ALIVE_MS = 65_000;
const CHECK_MS = 3000;
const MOST_SOCKETS = 4000;

interface Options {
  /** The public listener answers few doors and takes nothing that writes. */
  kind: 'house' | 'public';
  trustedProxies: string;
  handle: Handler;
  /** Told of every answer but streams: method, status, seconds. */
  onAnswer?: (method: string, status: number, seconds: number) => void;
  /** Told of what the handler threw. */
  onError: (error: unknown) => void;
}

/**
 * One listener: says who asks, bounds what strangers may ask, knows its open streams, and ends gracefully: what is being answered is answered, what is idle is closed, streams are told to come again.
 */
export function listener({ kind, trustedProxies, handle, onAnswer, onError }: Options): {
  server: Server;
  end: (patienceMs: number) => Promise<void>;
} {
  const peerOf = peerAddressBy(trustedProxies);
  const strangers = new RateLimiterMemory({ points: STRANGER_POINTS, duration: STRANGER_SECONDS });
  const streams = new Set<ServerResponse>();
  let ending = false;

  async function serve(request: IncomingMessage, response: ServerResponse): Promise<void> {
    if (ending) response.setHeader('connection', 'close');
    const peer = peerOf(request);
    request.headers[PEER_HEADER] = peer;
    if (kind === 'public' && !isPublicDoor(request.method, request.url)) return refuse(response, 404, 'Nothing is here.');
    if (isStranger(request) && !(await mayAsk(networkOf(peer))))
      return refuse(response, 429, 'Too many requests from your network. Try again in a moment.');
    if (request.url?.startsWith('/api/stream')) {
      streams.add(response);
      response.once('close', () => streams.delete(response));
    } else if (onAnswer) {
      const began = performance.now();
      response.once('finish', () => onAnswer(request.method ?? '', response.statusCode, (performance.now() - began) / 1000));
    }
    sayWhatWasSent(request, response);
    await handle(request, response);
  }
  const mayAsk = (network: string) =>
    strangers.consume(network).then(
      () => true,
      () => false,
    );

  // Node looks for those that are late twice a minute by itself: a slow peer would hold its socket for as long.
  const server = createServer({ connectionsCheckingInterval: CHECK_MS }, (request, response) => {
    serve(request, response).catch((error: unknown) => {
      onError(error);
      if (response.headersSent) response.destroy();
      else refuse(response, 500, 'Something went wrong on our side.');
    });
  });
  Object.assign(server, {
    headersTimeout: HEADERS_MS,
    requestTimeout: REQUEST_MS,
    keepAliveTimeout: KEEP_ALIVE_MS,
    maxConnections: MOST_SOCKETS,
  });
  return { server, end };

  async function end(patienceMs: number): Promise<void> {
    ending = true;
    const closed = new Promise<void>((resolve) => server.close(() => resolve()));
    for (const stream of streams) stream.destroy();
    // Sockets become idle one after the other while their last answers go out.
    const sweep = setInterval(() => server.closeIdleConnections(), 50);
    server.closeIdleConnections();
    const last = setTimeout(() => server.closeAllConnections(), patienceMs);
    await closed;
    clearInterval(sweep);
    clearTimeout(last);
  }
}

/** Whoever brings no session, and doesn't ask for what a page is made of. */
const isStranger = ({ headers, url }: IncomingMessage): boolean =>
  !(headers.cookie ?? '').includes(SESSION_COOKIE) && !url?.startsWith('/_next/static/') && !url?.startsWith('/api/health');

function refuse(response: ServerResponse, status: number, sentence: string): void {
  response.writeHead(status, {
    'content-type': 'text/plain; charset=utf-8',
    'x-content-type-options': 'nosniff',
    'cache-control': 'no-store',
  });
  response.end(`${sentence}\n`);
}
