import { createHash } from 'node:crypto';
import { NUMBER_SERIES, patternProblem, type NumberPatterns } from '@/core/paper/number-pattern';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { setting } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { kindOfBytes } from '@/platform/kind-of-bytes';
import { logoAddress, readLogo, type Logo } from '@/platform/logo';
import { need } from '@/platform/need';
import { drawDefinition } from '@/platform/pdf';
import { Problem } from '@/platform/problem';
import { readSettings, writeSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { saidOfPattern } from '../said-of-pattern';
import '@/core/words/en/office-papers';

/** How receipts, tickets and documents are numbered from now on; numbers that were given stay, and each count goes on. Errors: Problem (403); (400) with `fields` by series. */
export async function keepNumbers(context: UseCaseContext, patterns: NumberPatterns): Promise<void> {
  need(context.actor, 'office');
  const { tx } = context;
  const problems = NUMBER_SERIES.flatMap((series) => {
    const problem = patternProblem(series, patterns);
    return problem ? [[series, saidOfPattern(problem)] as const] : [];
  });
  if (problems.length) throw new Problem(say({ code: 'numbers.wrong' }), Object.fromEntries(problems));
  const settings = await readSettings(tx);
  await writeSettings(tx, { ...settings, numbers: patterns });
  const changed = NUMBER_SERIES.filter((series) => settings.numbers[series] !== patterns[series]);
  const of = (from: NumberPatterns) => Object.fromEntries(changed.map((series) => [series, from[series]]));
  await recordAudit(context, 'keepNumbers', changed.join(', '), { before: of(settings.numbers), after: of(patterns) });
}

/** A print needs no more, and every paper carries it. */
export const LOGO_MOST_KB = 300;

async function write(tx: Transaction, logo: Logo | null): Promise<void> {
  const value = logo ?? {};
  await tx.insert(setting).values({ key: 'logo', value }).onConflictDoUpdate({ target: setting.key, set: { value } });
  await writeSettings(tx, { ...(await readSettings(tx)), logo: logo?.hash ?? null });
}

/** Keeps the workshop's sign for its papers. Documents that were issued stay as they are. Errors: Problem (403); (400) for no picture, a damaged one, or one too large. */
export async function keepLogo(context: UseCaseContext, bytes: Buffer): Promise<void> {
  need(context.actor, 'office');
  const mime = kindOfBytes(bytes, ['image/png', 'image/jpeg']);
  if (!mime) throw new Problem(say({ code: 'logo.kind' }));
  if (bytes.length > LOGO_MOST_KB * 1024) throw new Problem(say({ code: 'logo.large', numbers: { most: LOGO_MOST_KB } }));
  const logo: Logo = { mime, base64: bytes.toString('base64'), hash: createHash('sha256').update(bytes).digest('hex') };
  // What can't be drawn would stop every document after this one.
  await drawDefinition({ content: [{ image: logoAddress(logo), fit: [140, 48] }], defaultStyle: { font: 'Sans' } }).catch(() => {
    throw new Problem(say({ code: 'logo.damaged' }));
  });
  const before = await readLogo(context.tx);
  await write(context.tx, logo);
  await recordAudit(context, 'keepLogo', '', { before: before?.hash ?? null, after: logo.hash });
}

/** Papers carry no sign from now on. Errors: Problem (403), (404) where there is none. */
export async function dropLogo(context: UseCaseContext): Promise<void> {
  need(context.actor, 'office');
  const before = await readLogo(context.tx);
  if (!before) throw new Problem(say({ code: 'logo.none' }), {}, 404);
  await write(context.tx, null);
  await recordAudit(context, 'dropLogo', '', { before: before.hash });
}
