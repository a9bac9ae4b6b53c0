import { Agent, get, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { PEER_HEADER } from '@/platform/peer-address';
import { listener } from './listener';

const open: (() => Promise<void>)[] = [];
afterEach(async () => {
  await Promise.all(open.splice(0).map((end) => end()));
});

type Handle = Parameters<typeof listener>[0]['handle'];
async function house(
  handle: Handle,
  { kind = 'house' as const, trustedProxies = '' }: { kind?: 'house' | 'public'; trustedProxies?: string } = {},
) {
  const errors: unknown[] = [];
  const { server, end } = listener({ kind, trustedProxies, handle, onError: (error) => errors.push(error) });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  open.push(() => end(100));
  return { address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, end, errors };
}
const answer: Handle = async (request, response) => {
  response.end(JSON.stringify(request.headers));
  await Promise.resolve();
};
const ask = (url: string, headers: Record<string, string> = {}, agent?: Agent) =>
  new Promise<{ status: number; body: string }>((resolve, reject) => {
    get(url, { headers, ...(agent ? { agent } : {}) }, (response: IncomingMessage) => {
      let body = '';
      response.on('data', (piece) => (body += String(piece)));
      response.on('end', () => resolve({ status: response.statusCode!, body }));
      response.on('error', reject);
    }).on('error', reject);
  });

describe('a listener', () => {
  it('says who asks, whatever the client wrote there; behind a trusted proxy by what that saw', async () => {
    const plain = await house(answer);
    expect(JSON.parse((await ask(plain.address, { [PEER_HEADER]: '6.6.6.6', 'x-forwarded-for': '6.6.6.6' })).body)).toMatchObject(
      { [PEER_HEADER]: '127.0.0.1' },
    );
    const behind = await house(answer, { trustedProxies: 'loopback' });
    expect(
      JSON.parse((await ask(behind.address, { [PEER_HEADER]: '6.6.6.6', 'x-forwarded-for': '203.0.113.9' })).body),
    ).toMatchObject({ [PEER_HEADER]: '203.0.113.9' });
  });
  it('bounds what a stranger asks from one network; who has a session and other networks are served', async () => {
    const { address } = await house(answer, { trustedProxies: 'loopback' });
    const from = (peer: string, headers = {}) =>
      ask(address, { 'x-forwarded-for': peer, ...headers }).then(({ status }) => status);
    const stranger = await Promise.all(Array.from({ length: 230 }, () => from('203.0.113.9')));
    expect([200, 429].map((status) => stranger.filter((one) => one === status).length)).toEqual([200, 30]);
    expect(await from('203.0.113.10')).toBe(200);
    expect(await from('203.0.113.9', { cookie: 'werkbank.session_token=x' })).toBe(200);
  });
  it('ends gracefully: what is being answered is answered, idle connections are closed, streams are cut, all within a second', async () => {
    const { address, end } = await house(async (request, response) => {
      if (request.url === '/api/stream') return void response.write(': open\n\n');
      await new Promise((soon) => setTimeout(soon, 300));
      response.end('done');
    });
    const agent = new Agent({ keepAlive: true });
    expect((await ask(`${address}/warm`, {}, agent)).status).toBe(200);
    const stream = ask(`${address}/api/stream`).catch((error: Error) => error.message);
    const inFlight = Promise.all(Array.from({ length: 20 }, (_one, i) => ask(`${address}/${i}`, {}, agent)));
    await new Promise((soon) => setTimeout(soon, 100));
    const began = performance.now();
    open.length = 0;
    await end(8000);
    expect(performance.now() - began).toBeLessThan(1000);
    expect(new Set((await inFlight).map(({ status, body }) => `${status} ${body}`))).toEqual(new Set(['200 done']));
    expect(await stream).toMatch(/aborted|hang up|reset/);
    await expect(ask(address)).rejects.toThrow(/ECONNREFUSED/);
    agent.destroy();
  });
  it('one request that throws answers 500 and takes nobody along', async () => {
    const { address, errors } = await house((request, response) =>
      request.url === '/bad' ? Promise.reject(new Error('bad')) : answer(request, response),
    );
    expect((await ask(`${address}/bad`)).status).toBe(500);
    expect((await ask(`${address}/good`)).status).toBe(200);
    expect(errors).toHaveLength(1);
  });
  it('the public one has few doors, and reads alone', async () => {
    const { address } = await house(answer, { kind: 'public' });
    expect(
      await Promise.all(['/verify/abc', '/sign-in', '/'].map(async (path) => (await ask(`${address}${path}`)).status)),
    ).toEqual([200, 404, 404]);
  });
});
