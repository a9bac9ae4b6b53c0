// npm run test:long: trials that take too long for every day; "-- mutations" (days, draws, kills, families, forgeries, shapes, proxy, faults, moment, release, settling, rows) makes one of them. What they said is kept in docs/long-trials.md.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureServer } from './lib/cluster.mjs';
import { ensureModules } from './lib/project.mjs';
import { giveUp, ROOT, say } from './lib/system.mjs';
import { days } from './long/days.mjs';
import { draws } from './long/draws.mjs';
import { families } from './long/families.mjs';
import { faults } from './long/faults.mjs';
import { forgeries } from './long/forgeries.mjs';
import { kills } from './long/kills.mjs';
import { mutations } from './long/mutations.mjs';
import { pointInTime } from './long/point-in-time.mjs';
import { proxy } from './long/proxy.mjs';
import { release } from './long/release.mjs';
import { rows } from './long/rows.mjs';
import { settling } from './long/settling.mjs';
import { shapes } from './long/shapes.mjs';

const TRIALS = {
  mutations: {
    title: 'Mutations',
    note: 'A survivor is looked at: either a test is missing, or both ways mean the same.',
    run: mutations,
  },
  days: {
    title: 'Other days',
    note: 'The demo made, and units, components, outside checks and databases tried with every clock of the machine moved (libfaketime): a test that holds today only, or a day taken from the wrong clock, shows.',
    run: days,
  },
  draws: {
    title: 'Draws in full',
    note: 'Tests that draw at random try a fifth on an ordinary day; here all of it: 10,000 files of a station, 10,000 lines of a device, 10,000 responses of sensors, 200 benches of the conductor, ten walks through each procedure.',
    run: draws,
  },
  kills: {
    title: 'Kills',
    note: 'Simulated instrument, gateway and web process killed (SIGKILL) in the middle of a span, two browsers watching, each round at a fresh house; and two job processes in the midst of their mails.',
    run: kills,
  },
  families: {
    title: 'Families in the browser',
    note: 'From the place to the approved document, readings off the line of a simulated instrument.',
    run: families,
  },
  forgeries: {
    title: 'Forgeries',
    note: 'One value changed, one row taken away, added or mixed with another, with the triggers off, in every table that a record rests on; then verified against the anchor.',
    run: forgeries,
  },
  shapes: {
    title: 'Bad shapes',
    note: 'Every server action, every route and every page is sent what no page of ours sends: objects for text, keys of the language, NUL, lone surrogates, 1e20, cut and deep JSON, ids that are none.',
    run: async () => {
      const { counts, bad } = await shapes({ rounds: 60 });
      const sent = Object.values(counts).reduce((sum, one) => sum + one, 0);
      return [
        `${sent} sent (${Object.entries(counts)
          .map(([kind, n]) => `${kind} ${n}`)
          .join(', ')}), ${bad.length} ended in "unforeseen" or 5xx.`,
        ...bad.slice(0, 50).map((one) => `- ${one}`),
      ].join('\n');
    },
  },
  proxy: {
    title: 'Behind nginx',
    note: 'https, forwarded addresses, uploads; two web and two jobs processes, started anew one after the other under load.',
    run: proxy,
  },
  faults: {
    title: 'Faults',
    note: 'Under load from several hands, each press given again until it is answered, as the browser does.',
    run: async () => (await faults()).text,
  },
  moment: {
    title: 'Back to a moment',
    note: 'The archive of pgBackRest, encrypted, with the page checksums on.',
    run: async () => (await pointInTime()).text,
  },
  release: {
    title: 'Release and rebuilding',
    note: 'An archive built here, unpacked elsewhere with no registry in reach; the house rebuilt from backup and recovery sheet as docs/running.md says.',
    run: async () => (await release()).text,
  },
  settling: {
    title: 'Settling',
    note: 'Six populations of a thousand instruments, by the display alone and by what a study of twenty others taught.',
    run: settling,
  },
  rows: {
    title: 'A million rows',
    note: 'Lists, counts, filters and searches with a million instruments, beside the demo’s.',
    run: rows,
  },
};
const PAPER = join(ROOT, 'docs', 'long-trials.md');
const asked = process.argv.slice(2);
const unknown = asked.find((one) => !(one in TRIALS));
if (unknown) giveUp(`No trial of that name: ${unknown}. There are ${Object.keys(TRIALS).join(', ')}.`);

ensureModules();
ensureServer();
mkdirSync(join(ROOT, 'test-results'), { recursive: true });
for (const name of asked.length ? asked : Object.keys(TRIALS)) {
  const { title, note, run } = TRIALS[name];
  say(title);
  const found = await run();
  const section = `## ${title}\n\nOn ${new Date().toISOString().slice(0, 10)}. ${note}\n\n${found}\n`;
  // Written after each: what a long night brought isn't lost with the next trial.
  const kept = readFileSync(PAPER, 'utf8').split(/^(?=## )/m);
  const at = kept.findIndex((one) => one.startsWith(`## ${title}\n`));
  if (at < 0) kept.push(section);
  else kept[at] = section;
  writeFileSync(PAPER, kept.map((one) => one.trimEnd()).join('\n\n') + '\n');
  console.log(found);
}
