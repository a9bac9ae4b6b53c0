// The environment of a process whose clock says something else, and so of all that it starts: libfaketime moves what clocks say and lets what waits wait as long as it does.
import { existsSync } from 'node:fs';
import { aptInstall } from './system.mjs';

const FAKETIME = '/usr/lib/x86_64-linux-gnu/faketime/libfaketime.so.1';

/** `offset`: as libfaketime reads it, "+2h" or "+86400". */
export function clockAt(offset) {
  if (!existsSync(FAKETIME)) aptInstall(['libfaketime'], 'libfaketime');
  return { LD_PRELOAD: FAKETIME, FAKETIME: offset, FAKETIME_DONT_FAKE_MONOTONIC: '1' };
}
