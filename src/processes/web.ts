import next from 'next';
import { log } from '@/platform/log';
import { metricsOf } from './metrics';
import { listener } from './web/listener';

/**
 * The web process: one listener, the house's or the public one (WERKBANK_LISTENER). The public one is started without the key that signs, without the sessions' secret and with a database role of its own.
 * Unwell, it ends: whoever started it starts it again.
 */
const GRACE_MS = 8000;
const kind = process.env.WERKBANK_LISTENER === 'public' ? 'public' : 'house';
const hostname = process.env.WERKBANK_HOST ?? '127.0.0.1';
const port = Number(process.env.PORT);
const dev = process.argv.includes('--dev');

const metrics = metricsOf(`web-${kind}`);
metrics.listen();
const app = next({ dev, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();
const { server, end } = listener({
  kind,
  trustedProxies: process.env.WERKBANK_TRUSTED_PROXIES ?? '',
  handle: (request, response) => handle(request, response),
  onAnswer: metrics.answered,
  onError: (error) => log.error({ err: error }, 'unforeseen at the listener'),
});
if (dev) {
  const upgrade = app.getUpgradeHandler();
  server.on('upgrade', (request, socket, head) => void upgrade(request, socket, head));
}
server.on('error', (error) => {
  log.fatal({ err: error }, 'the listener can’t listen');
  process.exit(1);
});
server.listen(port, hostname, () => log.info({ kind, hostname, port }, 'listening'));

let ending = false;
async function stop(code: number): Promise<void> {
  if (ending) return;
  ending = true;
  await end(GRACE_MS);
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop(0));
// What nobody foresaw outside of a request leaves the process in a state that nobody knows: it ends and is started again.
for (const event of ['uncaughtException', 'unhandledRejection'] as const)
  process.on(event, (error) => {
    log.fatal({ err: error }, `${event}: the process ends`);
    void stop(1);
  });
