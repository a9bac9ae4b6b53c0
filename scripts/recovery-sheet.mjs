// npm run recovery-sheet [-- FILE.html]: the page to print and lock away. With it and a backup the house is rebuilt on an empty machine.
import { chmodSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { backupKey } from './lib/archive.mjs';
import { clusterAt } from './lib/cluster.mjs';
import { homeFolder, say } from './lib/system.mjs';

const QRCode = (await import('qrcode')).default;
const home = homeFolder();
const { secret, recipient } = backupKey(home);
const archive = clusterAt(home).state?.archive;
const out = resolve(process.argv[2] ?? join(home, 'recovery-sheet.html'));
const code = await QRCode.toString(secret, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' });
writeFileSync(
  out,
  `<!doctype html><meta charset="utf-8"><title>Recovery sheet</title>
<style>body{font:12pt/1.45 sans-serif;max-width:17cm;margin:2cm auto}code{font:13pt monospace;word-break:break-all}svg{width:6cm}ol{padding-left:1.2em}</style>
<h1>Recovery sheet of this workshop</h1>
<p>Whoever has this sheet and a backup has everything. Print it, lock it away, keep it on no computer.</p>
<p><strong>Key</strong> (age, kept since ${new Date().toISOString().slice(0, 10)})</p><p><code>${secret}</code></p>${code}
<p>Backups that it opens are made for <code>${recipient}</code></p>
${archive ? `<p><strong>Key of the archive</strong> (pgBackRest, aes-256-cbc): <code>${archive}</code></p>` : ''}
<h2>Rebuilding on an empty machine</h2>
<ol><li>Debian 12, Node.js 20 or newer, the release of Werkbank unpacked.</li><li>Type the key into a file: <code>key.txt</code></li><li><code>npm run restore -- BACKUP.tar.age --key key.txt</code>: it says whether all records hold.</li><li><code>npm run serve</code></li></ol>
<p>Without Werkbank: <code>age -d -i key.txt BACKUP.tar.age | tar x</code>, then <code>pg_restore</code> reads <code>house.dump</code>.</p>
`,
  { mode: 0o600 },
);
chmodSync(out, 0o600);
say(`${out}: print it, lock it away, and delete the file`);
