import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { JWK } from 'jose';
import { checkFile } from '@/core/certificate/check/check-file';
import { say } from '@/core/words/say';

/**
 * npm run check-certificate -- FILE [KEYS]: checks a PDF or its data on plain Node, without a database: signature, every deviation, U, k and verdict.
 * KEYS is the workshop's key set (its /.well-known/jwks.json as a file); a jwks.json beside the file is taken by itself.
 */
const [file, keysFile = file ? join(dirname(file), 'jwks.json') : ''] = process.argv.slice(2);
if (!file || !existsSync(file)) {
  console.error(file ? `There is no file ${file}.` : 'Which file? npm run check-certificate -- FILE [KEYS]');
  process.exit(2);
}
const keys = existsSync(keysFile) ? (JSON.parse(readFileSync(keysFile, 'utf8')) as { keys: JWK[] }).keys : [];
if (keys.length === 0) console.log(`No keys at ${keysFile}: the signature can't be checked.`);
const { verdict, lines, findings, content } = await checkFile(new Uint8Array(readFileSync(file)), keys, null);
if (content)
  console.log(
    `${content.title} ${content.number}${content.revision ? ` revision ${content.revision}` : ''}, ${content.item.maker} ${content.item.model} ${content.item.serial}`,
  );
lines.forEach(({ good, fact }) => console.log(`${good ? 'ok    ' : 'BROKEN'} ${say(fact)}`));
findings.forEach(({ where, code, numbers }) => console.log(`       ${where}: ${say({ code, numbers })}`));
console.log(verdict);
process.exitCode = verdict === 'genuine' ? 0 : 1;
