// The browser of the walks: Debian's Chromium without a window's frame where it is installed. The same engine, at half the processor's time (docs/decisions/049); else the one with a window.
import { existsSync } from 'node:fs';

export const WINDOWED = '/usr/bin/chromium';
const WITHOUT_FRAME = '/usr/bin/chromium-headless-shell';
/** Packages whose program is not there. */
export const browsersMissing = () =>
  [
    [WINDOWED, 'chromium'],
    [WITHOUT_FRAME, 'chromium-headless-shell'],
  ].flatMap(([program, name]) => (existsSync(program) ? [] : [name]));
export const browser = () => (existsSync(WITHOUT_FRAME) ? WITHOUT_FRAME : WINDOWED);
