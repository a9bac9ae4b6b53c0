import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isVersion2 } from '@/core/certificate';
import { asset, certificate, customer, mail } from '@/data/schema';
import { approveRun, drawAndKeep, keptPdf, withdrawCertificate } from '@/features/certificates/server';
import { makeReminders } from '@/features/due/server';
import { asActor } from '@/platform/as-actor';
import { readSettings, writeSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { openWorld, type World } from './world';

let world: World;
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, world.signatory, 'test');
    return work({ tx, actor: world.signatory, now: new Date() });
  });
beforeAll(async () => {
  world = await openWorld();
  await world.db.update(customer).set({ language: 'de' }).where(eq(customer.id, world.customerId));
  await world.db.transaction(async (tx) => writeSettings(tx, { ...(await readSettings(tx)), mailCertificates: true }));
});
afterAll(() => world.close());

/** Words that an English sentence can hardly do without. None of them is German. */
const ENGLISH = /\b(the|and|with|from|were|of|by|its|which|not|to|this|that|has|for|is|are|found|left)\b/gi;
/** What people typed in this house: references, names. */
const TYPED = ['traceable to the SI', 'OF-410'];

describe('a customer whose language is German', () => {
  it('gets a certificate, a mail, a reminder and a withdrawal in German: read by an outside reader, no English sentence is in the PDF', async () => {
    const assetId = await world.newAsset('DE-1');
    const { run } = await world.finishedRun({ assetId });
    const { id, number } = await inTx((context) => approveRun(context, { runId: run, annexes: { budgets: true } }));
    const [row] = await world.db.select().from(certificate).where(eq(certificate.id, id));
    expect(isVersion2(row!.content) && row!.content.language).toBe('de');
    await drawAndKeep(world.db, id, new Date());
    const file = join(mkdtempSync(join(tmpdir(), 'german-')), 'paper.pdf');
    writeFileSync(file, (await keptPdf(world.db, id)).bytes!);
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    expect(text).toContain('Kalibrierschein');
    expect(text).toMatch(/Bei Eingang: (innerhalb|außerhalb) der Toleranz/);
    expect(text).toMatch(/Anhang: Unsicherheitsbudgets/);
    const said = TYPED.reduce((sofar, typed) => sofar.replaceAll(typed, ''), text.replace(/\s+/g, ' '));
    const hits = [...said.matchAll(ENGLISH)].map((one) => said.slice(Math.max(0, one.index - 40), one.index + 40));
    expect(hits).toEqual([]);
    const mails = async () =>
      (await world.db.select().from(mail).orderBy(mail.createdAt)).map(({ subject, body }) => `${subject}\n${body}`);
    const [issued] = await mails();
    expect(issued).toContain(`Kalibrierschein ${number}`);
    expect(issued).toContain('liegt bei.');
    await world.app.query("update ticket set status = 'returned', returned_at = now()");
    await world.db.update(asset).set({ nextDue: '2020-01-31' }).where(eq(asset.id, assetId));
    await inTx((context) => makeReminders(context));
    expect((await mails()).at(-1)).toMatch(/^Kalibrierung fällig: 1 Gerät\n[^]*31\.01\.2020 +überfällig/);
    await inTx((context) => withdrawCertificate(context, { certificateId: id, reason: 'Falsche Flasche' }));
    expect((await mails()).at(-1)).toMatch(/^Dokument \S+ zurückgezogen\n/);
    const [taken] = await world.db.select().from(certificate).where(eq(certificate.withdraws, id));
    expect(taken!.content.title).toBe('Zurückziehung eines Dokuments');
  });
});
