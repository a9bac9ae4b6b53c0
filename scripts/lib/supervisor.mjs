// Keeps the processes of a house standing: each by itself, with a pause that grows while it keeps falling; the database's server as well. What it ends it knows by process id.
import { startScript, startWeb, stopAll } from './processes.mjs';
import { startCluster } from './cluster.mjs';

const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** Whoever stood this long has earned a quick start again. */
const STEADY_MS = 60_000;
const LOOK_EVERY_MS = 2000;
const DEAF_AFTER = 6;

export function supervisor({ say = console.log, lookEveryMs = LOOK_EVERY_MS } = {}) {
  let stopping = false;
  const timers = new Set();

  /** Starts it, and again whenever it ends. `alive`: an address that answers while it is well; one that stays deaf is ended. */
  function keep(name, begin, { alive } = {}) {
    let [pause, child, since] = [FIRST_PAUSE_MS, null, 0];
    const start = () => {
      since = Date.now();
      child = begin((code, signal) => {
        child = null;
        if (stopping) return;
        if (Date.now() - since > STEADY_MS) pause = FIRST_PAUSE_MS;
        say(`${name} ended (${signal ?? code}): started again in ${(pause / 1000).toFixed(1)} s`);
        const timer = setTimeout(() => {
          timers.delete(timer);
          if (!stopping) start();
        }, pause);
        timers.add(timer);
        pause = Math.min(LONGEST_PAUSE_MS, pause * 2);
      });
    };
    start();
    if (alive) watch(name, alive, () => child);
  }

  function watch(name, address, child) {
    let [deaf, heard] = [0, false];
    const timer = setInterval(async () => {
      const mine = child();
      if (!mine) return void ([deaf, heard] = [0, false]);
      try {
        const answer = await fetch(address, { signal: AbortSignal.timeout(lookEveryMs * 2) });
        await answer.arrayBuffer();
        [deaf, heard] = [0, true];
      } catch {
        // While it starts it may be deaf for longer than when it stood already.
        deaf += heard ? 1 : 0.2;
        if (deaf < DEAF_AFTER || mine !== child()) return;
        say(`${name} does not answer any more: ended`);
        [deaf, heard] = [0, false];
        mine.kill('SIGKILL');
      }
    }, lookEveryMs * 2);
    timers.add(timer);
  }

  /** The database's server is started again when it died. */
  function keepCluster(cluster) {
    let busy = false;
    const timer = setInterval(async () => {
      if (busy || stopping || cluster.alive()) return;
      busy = true;
      say('PostgreSQL ended: started again');
      await startCluster(cluster).catch((error) => say(`PostgreSQL could not be started: ${error.message}`));
      busy = false;
    }, lookEveryMs);
    timers.add(timer);
  }

  async function stop() {
    stopping = true;
    timers.forEach(clearInterval);
    await stopAll();
  }

  const script = (name, file, env, options = {}) =>
    keep(name, (onExit) => startScript(file, env, { quiet: true, ...options, onExit }), options);
  const web = (name, env, options = {}) =>
    keep(name, (onExit) => startWeb(env, { quiet: true, ...options, onExit }), {
      alive: options.dev ? undefined : `http://${env.WERKBANK_HOST ?? '127.0.0.1'}:${env.PORT}/api/health/alive`,
    });
  return { keep, script, web, keepCluster, stop };
}
