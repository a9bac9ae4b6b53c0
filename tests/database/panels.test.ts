import { createServer, type Server, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addLine, askPanel, Gateway } from '@/features/lines/server';
import { openWorld, type World } from './world';

let world: World;
let gateway: Gateway;
const servers: Server[] = [];
const sockets = new Set<Socket>();
beforeAll(async () => {
  process.env.WERKBANK_SIMULATED = 'yes';
  world = await openWorld();
  gateway = new Gateway(world.db);
  gateway.start();
  while (!(await world.app.query('select 1 from gateway_lease')).rowCount) await new Promise((soon) => setTimeout(soon, 20));
});
afterAll(async () => {
  delete process.env.WERKBANK_SIMULATED;
  await gateway.stop();
  sockets.forEach((socket) => socket.destroy());
  servers.forEach((server) => server.close());
  await world.close();
});

const context = (role: 'technician' | 'administrator') => ({ actor: { ...world.technician, role }, now: new Date() });
const add = (
  given: { host: string; port: number; panelPort: number | null },
  role: 'technician' | 'administrator' = 'administrator',
) => world.db.transaction((tx) => addLine({ tx, ...context(role) }, { kind: 'instrument', name: 'a device', ...given }));
const ask = (lineId: string) =>
  askPanel({ tx: null as never, ...context('technician') }, { lineId, blocked: true }).catch((error: Error) => error.message);

/** A panel whose answer the test decides. */
async function panel(answer: (asked: string) => string | null): Promise<string> {
  const server = createServer((socket) => {
    sockets.add(socket);
    socket.on('error', () => undefined);
    socket.on('data', (asked) => {
      const text = answer(String(asked));
      if (text === null) socket.destroy();
      else socket.write(text);
    });
  });
  servers.push(server);
  const panelPort = await new Promise<number>((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as { port: number }).port)),
  );
  return (await add({ host: '127.0.0.1', port: panelPort, panelPort })).id;
}

describe('a panel of a simulated instrument', () => {
  it('is asked by the gateway: what it answers comes back', async () => {
    const line = await panel((asked) => `${JSON.stringify({ heard: JSON.parse(asked) as object })}\n`);
    expect(await ask(line)).toEqual({ heard: { type: 'world', blocked: true } });
  });
  // Measured before: an uncaught exception in the web process, a connection idle in transaction for ever, twenty of them stopped the house.
  it('that answers no JSON, hangs up or never ends: twenty at once are told so, and no connection stays behind', async () => {
    const lines = [
      await panel(() => 'what?\n'),
      await panel(() => '[1]\n'),
      await panel(() => null),
      await panel(() => 'x'.repeat(300_000)),
    ];
    const answers = await Promise.all(Array.from({ length: 20 }, (_one, i) => ask(lines[i % 4]!)));
    expect(new Set(answers)).toEqual(
      new Set(
        ['it hung up', 'its answer can’t be read', 'its answer has no end'].map(
          (why) => `The simulated instrument does not answer: ${why}.`,
        ),
      ),
    );
    const { rows } = await world.app.query(
      `select count(*)::int as n from pg_stat_activity where state like 'idle in transaction%' and datname = current_database()`,
    );
    expect(rows[0]).toEqual({ n: 0 });
    expect((await world.app.query('select 1 from panel_ask')).rowCount).toBe(0);
  });
  it('is not there in a house that works in earnest', async () => {
    delete process.env.WERKBANK_SIMULATED;
    const line = await panel(() => '{}\n');
    expect(await ask(line)).toMatch(/no simulated one/);
    process.env.WERKBANK_SIMULATED = 'yes';
    expect(await ask(line)).toMatch(/no simulated one/);
  });
});

describe('who says where a device is', () => {
  const given = { host: '127.0.0.1', port: 9, panelPort: null };
  it('an administrator alone', async () => {
    await expect(add(given, 'technician')).rejects.toMatchObject({ status: 403 });
  });
  it.each(['169.254.169.254', '192.0.2.7', '0.0.0.0'])(
    'and not at %s, unless whoever runs the house stated that range',
    async (host) => {
      await expect(add({ ...given, host })).rejects.toMatchObject({
        fields: { host: expect.stringContaining('networks') as string },
      });
    },
  );
});
