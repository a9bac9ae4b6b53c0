import { chromium, type Page } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { verdict } from './in-turn';

/** The part of npm run bench that is felt in a browser: what the first page loads, and from a place's number key to its painted sheet. */
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
const ROUNDS = 15;
const middle = (all: number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!;

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
const open = async () =>
  (await browser.newContext({ baseURL: process.env.WERKBANK_ORIGIN!, viewport: { width: 1280, height: 800 } })).newPage();

async function signIn(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Mail address').fill('technician@port-ambrel.example');
  await page.getByLabel('Password').fill('harbour-bench-2026');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.locator('.house-bar').waitFor();
}

/** Bytes of the scripts that a first visit loads, as they travel (gzip), without what is fetched ahead for other pages. */
async function scriptsOf(
  path: string,
  state?: Awaited<ReturnType<ReturnType<Page['context']>['storageState']>>,
): Promise<number> {
  const context = await browser.newContext({ baseURL: process.env.WERKBANK_ORIGIN!, ...(state ? { storageState: state } : {}) });
  const page = await context.newPage();
  const response = await page.goto(path, { waitUntil: 'load' });
  const text = await response!.text();
  const sources = [...new Set([...text.matchAll(/<script[^>]+src="([^"]+)"/g)].map((match) => match[1]!))];
  let bytes = 0;
  for (const source of sources) bytes += gzipSync(await (await page.request.get(source)).body()).length;
  await context.close();
  return bytes;
}

async function firstLoad(page: Page): Promise<boolean> {
  const state = await page.context().storageState();
  // The bare page: what the framework itself loads for a page with nothing of ours on it.
  const bare = await scriptsOf('/api/nothing-here');
  const run = await page.locator('.place.taken a.btn-primary').first().getAttribute('href');
  let met = true;
  for (const [name, path] of [
    ['bench', '/'],
    ['run sheet', run!],
  ] as const) {
    const bytes = await scriptsOf(path, state);
    met &&= bytes / bare <= 1.5;
    console.log(
      `first load of the ${name}: ${(bytes / 1024).toFixed(0)} KB of scripts, a page with nothing on it ${(bare / 1024).toFixed(0)} KB: ${verdict(bytes / bare, 1.5)} (before: 1.99 ×)`,
    );
  }
  return met;
}

/** From the key to the sheet's present step on the screen; beside it the time in which the same page is answered, asked for at the same place. */
async function numberKey(page: Page): Promise<boolean> {
  const [ours, page_]: [number[], number[]] = [[], []];
  for (let round = 0; round < ROUNDS; round += 1) {
    await page.goto('/');
    await page.waitForFunction(() => document.documentElement.dataset.ready === 'yes');
    await page.waitForTimeout(1200);
    const place = page.locator('.place.taken:not([data-testid="place-1"])', { has: page.locator('a.btn-primary') }).first();
    // Not the first: on a bench of twelve its digit may begin a 10, so that it is waited for.
    const number = (await place.getAttribute('data-testid'))!.replace('place-', '');
    const href = await place.locator('a.btn-primary').getAttribute('href');
    page_.push(
      await page.evaluate(async (path) => {
        const began = performance.now();
        await (await fetch(path)).text();
        return performance.now() - began;
      }, href!),
    );
    ours.push(
      await page.evaluate(
        (key) =>
          new Promise<number>((resolve) => {
            const began = performance.now();
            // A message posted while a frame is made ready is taken right after that frame is painted.
            const painted = new MessageChannel();
            painted.port1.onmessage = () => resolve(performance.now() - began);
            const look = () =>
              document.querySelector('.present-step') ? painted.port2.postMessage(null) : requestAnimationFrame(look);
            document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
            look();
          }),
        number,
      ),
    );
  }
  const ratio = middle(ours) / middle(page_);
  console.log(
    `place by its number key to the painted sheet: ${middle(ours).toFixed(0)} ms, the page alone ${middle(page_).toFixed(0)} ms: ${verdict(ratio, 2)} (before: 5 ×)`,
  );
  return ratio <= 2;
}

const page = await open();
// The loader that runs this file names functions by a helper of its own, which a page doesn't know.
await page.addInitScript('globalThis.__name = (one) => one');
await signIn(page);
const met = [await firstLoad(page), await numberKey(page)];
await browser.close();
process.exitCode = met.every(Boolean) ? 0 : 1;
