import { createServer, type Server } from 'node:http';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { pool } from '@/data/connection';

/** Buckets of an answer's time, s: from a press that is felt as at once to one that somebody complains of. */
const BUCKETS = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20];

/**
 * What one process says of itself in Prometheus' text format: processor, memory, the event loop's lag, connections in use and waiting, and what it is given to measure. On loopback alone, at a port of its own, and only where
 * one was set: nothing of it is for the workshop's network. Nothing in it names a person, a customer or an address.
 */
export function metricsOf(kind: string) {
  const registry = new Registry();
  registry.setDefaultLabels({ process: kind });
  const gauge = (name: string, help: string, read: () => number | Promise<number>) =>
    new Gauge({
      name: `werkbank_${name}`,
      help,
      registers: [registry],
      async collect() {
        this.set(await read());
      },
    });
  gauge('connections_open', 'Connections to the database that this process holds', () => pool().totalCount);
  gauge('connections_waiting', 'Requests that wait for a connection', () => pool().waitingCount);
  const answers = new Histogram({
    name: 'werkbank_http_seconds',
    help: 'Time of answers by method and class of status',
    labelNames: ['method', 'status'] as const,
    buckets: BUCKETS,
    registers: [registry],
  });
  return {
    gauge,
    /** An answer of the listener; streams are no answers. */
    answered: (method: string, status: number, seconds: number) =>
      answers.observe({ method, status: `${Math.floor(status / 100)}xx` }, seconds),
    /** Errors: of the port, if it is taken. */
    listen(port = process.env.WERKBANK_METRICS_PORT): Server | null {
      if (!port) return null;
      // Only where somebody reads them: they watch every collection of garbage.
      collectDefaultMetrics({ register: registry, prefix: 'werkbank_' });
      const server = createServer((request, response) => {
        if (request.url !== '/metrics') return void response.writeHead(404).end();
        registry.metrics().then(
          (text) => response.writeHead(200, { 'content-type': registry.contentType }).end(text),
          (error: unknown) => response.writeHead(503, { 'content-type': 'text/plain' }).end(`# ${String(error)}\n`),
        );
      });
      return server.listen(Number(port), '127.0.0.1');
    },
  };
}
