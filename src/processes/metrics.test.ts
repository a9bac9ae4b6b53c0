import { afterEach, describe, expect, it } from 'vitest';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { metricsOf } from './metrics';

// Prometheus' text exposition format 0.0.4: each line a comment, or name{labels} and a number.
const LINE = /^(# (HELP|TYPE) \w+ .+|\w+(\{\w+="[^"]*"(,\w+="[^"]*")*\})? -?(\d+(\.\d+)?(e[+-]?\d+)?|Nan|\+Inf))$/;

let server: Server | null = null;
afterEach(() => void server?.close());

describe('what a process says of itself', () => {
  it('is in the text format, on loopback, with the answers that were given', async () => {
    const metrics = metricsOf('test');
    metrics.gauge('bottles', 'Bottles on the shelf', () => 7);
    metrics.answered('GET', 204, 0.03);
    server = metrics.listen('0');
    await new Promise((resolve) => server!.once('listening', resolve));
    const { port, address } = server!.address() as AddressInfo;
    expect(address).toBe('127.0.0.1');
    const response = await fetch(`http://127.0.0.1:${port}/metrics`);
    const lines = (await response.text()).trim().split('\n').filter(Boolean);
    expect(lines.filter((line) => !LINE.test(line))).toEqual([]);
    expect(lines).toContain('werkbank_bottles{process="test"} 7');
    expect(lines).toContain('werkbank_http_seconds_bucket{le="0.05",process="test",method="GET",status="2xx"} 1');
    expect((await fetch(`http://127.0.0.1:${port}/`)).status).toBe(404);
  });
  it('listens nowhere where no port was set', () => {
    expect(metricsOf('test').listen('')).toBeNull();
  });
});
