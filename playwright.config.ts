import { defineConfig } from '@playwright/test';
import { browser } from './scripts/lib/browser.mjs';

/** Two houses: one for the rooms and part of gas, one for a busy bench, water, the rest of gas and what a house has to survive. */
const BESIDE_WATER = /e2e\/gas\/(families|serial|stations|scanner|paper).*spec/;
/** Rooms that are looked at in the second house. */
const ROOMS_BESIDE_WATER = /e2e\/(corrected|check-page|unsubscribe|letters|window|recall|calculators|camera).*spec/;
/** A busy bench in real time: by far the longest of all, and it waits more than it works. */
const BUSY_BENCH = /e2e\/practice.*spec/;
const part = process.env.E2E_PART ?? 'all';
/** One project a part where nothing has to come after: each begins workers of its own, and each of those loads everything again. */
const PARTS: Record<
  string,
  { name: string; testMatch?: RegExp | RegExp[]; testIgnore?: RegExp | RegExp[]; dependencies?: string[] }[]
> = {
  house: [
    {
      name: 'rooms',
      testIgnore: [/outage|responsive|killed|door-rules|first-day|to-the-end|e2e\/(gas|water)\//, ROOMS_BESIDE_WATER, BUSY_BENCH],
    },
  ],
  // After the rooms: adds places to the bench.
  gas: [{ name: 'gas', testMatch: /e2e\/gas\/.*spec/, testIgnore: BESIDE_WATER }],
  // In the second house, while the databases are tried: it needs no more than a third of a core.
  busy: [{ name: 'busy-bench', testMatch: BUSY_BENCH }],
  water: [
    { name: 'water', testMatch: [/e2e\/water\/.*spec/, BESIDE_WATER, ROOMS_BESIDE_WATER] },
    // Takes the database of this house away, so it comes last.
    { name: 'outage', testMatch: /outage/, dependencies: ['water'] },
  ],
  alone: [
    // Looks at the page's own thread, so nothing else may run beside it.
    { name: 'responsive', testMatch: /responsive/ },
    // Asks something new of everybody who signs in.
    { name: 'door-rules', testMatch: /door-rules/, dependencies: ['responsive'] },
  ],
  // A house in which nobody was yet.
  empty: [
    { name: 'first-day', testMatch: /first-day/ },
    // The same house, on to its first certificate and out of the door.
    { name: 'to-the-end', testMatch: /to-the-end/, dependencies: ['first-day'] },
  ],
  // Every family's walk: npm run test:long.
  families: [{ name: 'families', testMatch: /e2e\/(gas|water)\/families.*spec/ }],
  // Kills processes again and again: npm run test:long.
  kills: [{ name: 'kills', testMatch: /killed/ }],
};
const DAILY = ['house', 'busy', 'gas', 'empty', 'alone', 'water'];

/** Started by scripts/test.mjs, which sets up a throw-away cluster with the demo, the mail stand-in and a production web process. */
export default defineConfig({
  // Made into plain files by scripts/lib/walks.mjs; the sources themselves where somebody starts the runner by hand.
  testDir: process.env.E2E_FOLDER ?? 'tests/e2e',
  // Nothing here is a test of speed: on a machine that others share a minute may take three.
  timeout: 300_000,
  expect: { timeout: 20_000 },
  // Benches wait more than they work; the busy one is one walk after the other.
  workers: { water: 3, gas: 3, busy: 1 }[part] ?? 2,
  // Each has instruments of its own there. Files are taken by name: those with the longest come first, so that none is left alone at the end.
  fullyParallel: part === 'gas',
  // A noisy machine may starve a line or a page for half a minute; what fails twice fails.
  retries: 1,
  forbidOnly: true,
  outputDir: `test-results/${part}`,
  reporter: [['list'], ['json', { outputFile: `test-results/e2e-${part}.json` }]],
  projects: PARTS[part] ?? DAILY.flatMap((name) => PARTS[name] ?? []),
  use: {
    baseURL: process.env.E2E_ORIGIN ?? 'http://127.0.0.1:3210',
    viewport: { width: 1280, height: 800 },
    // What waits for something that never comes says so before the whole test is over.
    actionTimeout: 90_000,
    // Something that pulses makes a machine without a graphics card draw sixty times a second.
    contextOptions: { reducedMotion: 'reduce' },
    trace: 'off',
    launchOptions: {
      executablePath: browser(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
