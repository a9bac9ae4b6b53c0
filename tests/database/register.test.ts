import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NONCONFORMITY_STEPS } from '@/core/record/nonconformity';
import type { Actor } from '@/core/record/event';
import { assetChannel } from '@/data/schema';
import { eq } from 'drizzle-orm';
import { approveRun } from '@/features/certificates/server';
import { findAnything } from '@/features/counter/server';
import { verifyRecords } from '@/features/office/server';
import {
  closeNonconformity,
  correctNonconformity,
  enterNonconformity,
  listRegister,
  noteStep,
  registerCounts,
  registerCsv,
  registerPage,
  reopenNonconformity,
} from '@/features/register/server';
import { noteCheck } from '@/features/shelf/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.signatory) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
const list = (asked: Parameters<typeof listRegister>[1] = {}) =>
  inTx(({ tx }) => listRegister(tx, asked)).then((page) => page.rows);
const step = (id: string, name: (typeof NONCONFORMITY_STEPS)[number], choice = '', more: object = {}) =>
  inTx((context) => noteStep(context, { id, step: name, choice, text: `${name} said`, ...more }), world.technician);

async function approvedOutside(notice?: string) {
  const assetId = await world.newAsset();
  const channels = await world.db.select().from(assetChannel).where(eq(assetChannel.assetId, assetId));
  const co = channels.find((one) => one.role === 'co')!;
  const { run } = await world.finishedRun({ assetId, behaviour: { foundError: { [co.id]: -0.4 } } });
  await inTx((context) => approveRun(context, { runId: run, notice }));
  return { run, assetId };
}

describe('the register of nonconforming work (ISO/IEC 17025:2017, 7.10)', () => {
  it('what was found outside comes into it when it is approved, once, with whether the customer was told; what was within does not', async () => {
    await inTx(async (context) => approveRun(context, { runId: (await world.finishedRun()).run }));
    expect(await list()).toEqual([]);
    const { run, assetId } = await approvedOutside('Readings are in doubt.');
    await inTx((context) => approveRun(context, { runId: run }));
    const [entry, ...others] = await list();
    expect(others).toEqual([]);
    expect(entry).toMatchObject({ kind: 'foundOutside', number: expect.stringMatching(/^Q-\d{4}-0001$/), customer: 'Test Yard' });
    const page = (await inTx(({ tx }) => registerPage(tx, entry!.id)))!;
    expect(page.entry).toMatchObject({ runId: run, assetId });
    expect(page.steps.map((one) => [one.step, one.choice])).toEqual([['told', 'told']]);
    expect(page.missing).toEqual(['evaluation']);
    // Without a notice nobody was told, and it can't be closed.
    await approvedOutside();
    const [newest] = await list();
    expect(await refused(inTx((context) => closeNonconformity(context, { id: newest!.id })))).toMatchObject({
      status: 409,
      message: expect.stringMatching(/matters.*told/i),
    });
  });
  it('a check of equipment that failed comes into it with the equipment', async () => {
    const { rows } = await world.app.query("select id from reference where role = 'barometer'");
    await inTx(
      (context) =>
        noteCheck(context, {
          id: rows[0].id,
          what: 'check',
          value: '',
          result: 'fault',
          note: '3 hPa off',
          nextDue: '',
        } as never),
      world.technician,
    );
    const [entry] = await list({ kind: 'failedCheck' });
    expect(entry).toMatchObject({ about: 'barometer, barometer-1', what: expect.stringContaining('3 hPa off') });
  });
  it('is closed by a signatory when all was done; opened again with a reason; a step that is noted anew leaves the earlier one to be read', async () => {
    const { id } = await inTx(
      (context) => enterNonconformity(context, { kind: 'complaint', what: 'Came back wet.', serial: '' }),
      world.technician,
    );
    const close = (actor?: Actor) => inTx((context) => closeNonconformity(context, { id }), actor);
    expect(await refused(close(world.technician))).toMatchObject({ status: 403 });
    expect(await refused(step(id, 'cause', 'whim'))).toMatchObject({ status: 400, fields: { choice: expect.any(String) } });
    await step(id, 'evaluation');
    await step(id, 'told', 'notNeeded');
    await step(id, 'cause', 'handling');
    await step(id, 'cause', 'people');
    await step(id, 'action', '', { lookAgainOn: '2026-12-24' });
    expect(await refused(close())).toMatchObject({ message: expect.stringContaining('Did it help?') });
    await step(id, 'effect');
    await close();
    expect(await refused(step(id, 'effect'))).toMatchObject({ status: 409 });
    expect((await list()).some((row) => row.id === id)).toBe(false);
    expect((await list({ open: false })).find((row) => row.id === id)).toMatchObject({
      cause: 'people',
      lookAgainOn: '2026-12-24',
    });
    await inTx((context) => reopenNonconformity(context, { id, why: 'came back wet again' }));
    const page = (await inTx(({ tx }) => registerPage(tx, id)))!;
    expect(page.entry.closedAt).toBeNull();
    expect(page.steps.filter((one) => one.step === 'cause').map((one) => one.choice)).toEqual(['handling', 'people']);
    // Nothing that was noted can be changed, not even by the application itself.
    await expect(world.app.query("update nonconformity_step set text = 'else'")).rejects.toThrow();
  });
  it('is entered by anybody who works here, by the serial of an instrument, which has to be one’s; found, counted by model and cause, exported', async () => {
    await world.newAsset('REG-77');
    const enter = (serial: string) =>
      inTx((context) => enterNonconformity(context, { kind: 'recall', what: 'The maker calls sensors back.', serial }), {
        id: 'c',
        name: 'Counter',
        role: 'counter',
      });
    expect(await refused(enter('nowhere'))).toMatchObject({ status: 404, fields: { serial: expect.any(String) } });
    const { id, number } = await enter('reg-77');
    const correct = (what: string, seen: string) => inTx((context) => correctNonconformity(context, { id, what, seen }));
    await correct('The maker calls sensors back, batch 12.', 'The maker calls sensors back.');
    // The second of two who correct sees what the first wrote.
    expect((await refused(correct('Nothing', 'The maker calls sensors back.')))!.message).toContain('batch 12');
    await step(id, 'cause', 'sensorAged');
    const found = await inTx((context) => findAnything(context, { text: number.toLowerCase() }));
    expect(found.find((one) => one.group === 'register')?.hits).toMatchObject([{ href: `/register/${id}`, label: number }]);
    for (const q of [number.toLowerCase(), 'REG-77', 'calls sensors'])
      expect(
        (await list({ q })).map((row) => row.id),
        q,
      ).toEqual([id]);
    const counts = await inTx(({ tx }) => registerCounts(tx, '2020-01-01'));
    expect(counts.reduce((sum, one) => sum + one.n, 0)).toBe(3);
    expect(counts.find((one) => one.cause === 'sensorAged')!.n).toBe(1);
    const { data } = Papa.parse<Record<string, string>>(await inTx(({ tx }) => registerCsv(tx, { q: 'REG-77' })), {
      header: true,
    });
    expect(data).toMatchObject([{ number, kind: 'recall', about: 'REG-77', cause: 'sensorAged' }]);
    expect((await inTx(({ tx }) => verifyRecords(tx))).faults).toEqual([]);
  });
});
