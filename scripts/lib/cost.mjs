// What something cost this machine: seconds of processor, and how many it gave to other machines meanwhile. On a shared one, minutes alone say little.
import { readFileSync } from 'node:fs';

/** Seconds since the machine began, over all cores; null where the kernel doesn't say. Fields 1 to 8 of /proc/stat: user, nice, system, idle, iowait, irq, softirq, steal; in hundredths. */
function read() {
  try {
    const [user, nice, system, idle, waiting, irq, soft, steal] = /^cpu +(.*)$/m
      .exec(readFileSync('/proc/stat', 'utf8'))[1]
      .split(' ')
      .map((field) => Number(field) / 100);
    return { busy: user + nice + system + irq + soft, idle: idle + waiting, stolen: steal };
  } catch {
    return null;
  }
}

/** Begins to count; what it gives says in a sentence what it came to. */
export function counting() {
  const [from, began] = [read(), Date.now()];
  return () => {
    const now = read();
    const minutes = `${((Date.now() - began) / 60_000).toFixed(1)} min`;
    if (!from || !now) return minutes;
    const part = (name) => `${Math.round(now[name] - from[name])} s`;
    return `${minutes}: ${part('busy')} of processor, ${part('idle')} idle, ${part('stolen')} given to others`;
  };
}
