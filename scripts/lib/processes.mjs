// Long-running children of a script: started by us, ended by us, by process id, and nothing else.
import { spawn } from 'node:child_process';
import { totalmem } from 'node:os';
import { programOf } from './programs.mjs';
import { ROOT } from './system.mjs';

const children = new Set();

function begin(args, env, { quiet = false, onLine, onExit } = {}) {
  // A group of its own: Ctrl-C in the terminal reaches this script alone, which then ends its children in order.
  const child = spawn(process.execPath, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'pipe'], detached: true });
  children.add(child);
  const show = (chunk) =>
    String(chunk)
      .split('\n')
      .filter(Boolean)
      .forEach((line) => {
        onLine?.(line);
        if (!quiet) console.log(line);
      });
  child.stdout.on('data', show);
  child.stderr.on('data', show);
  child.on('exit', (code, signal) => {
    children.delete(child);
    onExit?.(code, signal);
  });
  return child;
}

/** How much the web process may keep, MB: a quarter of the machine, and never more than a gigabyte. Without a bound it keeps whatever nobody else asked for. */
const HEAP = Math.round(Math.min(1024, Math.max(384, totalmem() / 4 / 2 ** 20)));

export const startWeb = (env, options) =>
  begin(
    [`--max-old-space-size=${HEAP}`, ...programOf('src/processes/web.ts'), ...(options?.dev ? ['--dev'] : [])],
    options?.dev ? { ...env, NODE_ENV: 'development' } : env,
    options,
  );
export const startScript = (file, env, options) => begin(programOf(file), env, options);

export async function stopChild(child, patience = 8000) {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const timer = setTimeout(() => child.kill('SIGKILL'), patience);
  await gone;
  clearTimeout(timer);
}

export async function stopAll() {
  await Promise.all([...children].map((child) => stopChild(child)));
}

/** Waits until an address answers. Errors: after `seconds`. */
export async function answers(url, seconds = 60) {
  const end = Date.now() + seconds * 1000;
  while (Date.now() < end) {
    try {
      const response = await fetch(url, { signal: AbortSignal.timeout(2000) });
      if (response.ok) return;
    } catch {
      /* not yet */
    }
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  throw new Error(`${url} did not answer within ${seconds} s`);
}
