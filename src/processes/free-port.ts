import { createServer } from 'node:net';

/** What was given already: a port that is closed again may come twice before anybody listens on it. */
const given = new Set<number>();

/** A port on loopback that nobody listens on at this moment, and that was not given before by this process. */
export async function freePort(): Promise<number> {
  for (;;) {
    const port = await closedPort();
    if (given.has(port)) continue;
    given.add(port);
    return port;
  }
}

function closedPort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject).listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });
}
