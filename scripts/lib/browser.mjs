// The browser of the walks: Debian's Chromium without a window's frame where it can be had. The same engine, at half the processor's time (docs/decisions/049); else the one with a window.
import { existsSync } from 'node:fs';
import { aptInstall, say, tryAptInstall } from './system.mjs';

export const WINDOWED = '/usr/bin/chromium';
const WITHOUT_FRAME = '/usr/bin/chromium-headless-shell';

/** What the walks can't do without, and what makes them quicker: not every Debian has that. */
export function ensureBrowsers() {
  if (!existsSync(WINDOWED)) aptInstall(['chromium'], 'The browser that the tests use');
  if (!existsSync(WITHOUT_FRAME) && tryAptInstall(['chromium-headless-shell']) !== null)
    say('no browser without a frame is to be had: the walks take the one with a window');
}
export const browser = () => (existsSync(WITHOUT_FRAME) ? WITHOUT_FRAME : WINDOWED);
