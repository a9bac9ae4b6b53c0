import { createHmac } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { approveRun } from '@/features/certificates/server';
import { setUserActive } from '@/features/office/server';
import { auth } from '@/platform/auth';
import { runChangeStream } from '@/platform/change-stream';
import { confirmPerson } from '@/platform/confirm-person';
import { readSettings, writeSettings } from '@/platform/settings';
import { SESSION_COOKIE } from '@/platform/session-cookie';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  process.env.WERKBANK_SECRET = 'a secret of the test, thirty-two characters';
  process.env.WERKBANK_ORIGIN = 'http://127.0.0.1:1';
  world = await openWorld();
});
afterAll(() => world.close());

const signIn = async () => {
  const { token } = await auth().api.signInEmail({ body: { email: 'tech@test.example', password: 'a long password' } });
  return token;
};
const withCookie = (token: string) => {
  const seal = createHmac('sha256', process.env.WERKBANK_SECRET!).update(token).digest('base64');
  return new Headers({ cookie: `${SESSION_COOKIE}=${encodeURIComponent(`${token}.${seal}`)}` });
};

it('what stands in the database doesn’t let anybody in; what the browser holds does, until it is signed out', async () => {
  const token = await signIn();
  const { rows } = await world.app.query<{ token: string }>('select token from session');
  expect(rows).toHaveLength(1);
  expect(rows[0]!.token).toMatch(/^[0-9a-f]{64}$/);
  expect(rows[0]!.token).not.toBe(token);
  const session = await auth().api.getSession({ headers: withCookie(token) });
  expect(session?.user.email).toBe('tech@test.example');
  expect(await auth().api.getSession({ headers: withCookie(rows[0]!.token) })).toBeNull();
  await auth().api.signOut({ headers: withCookie(token) });
  expect(await auth().api.getSession({ headers: withCookie(token) })).toBeNull();
  expect((await world.app.query('select 1 from session')).rowCount).toBe(0);
});

it('who is kept out is out at once, and the stream of events ends; others’ goes on', async () => {
  const token = await signIn();
  const streams = [world.technician.id, world.signatory.id].map((userId) => {
    const reader = runChangeStream(new AbortController().signal, { userId }).getReader();
    const heard = { texts: '', ended: false };
    void (async () => {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) return void (heard.ended = true);
        heard.texts += new TextDecoder().decode(value);
      }
    })();
    return heard;
  });
  await expect.poll(() => streams.every((one) => one.texts.includes('hearing'))).toBe(true);
  await world.db.transaction((tx) =>
    setUserActive(
      { tx, actor: { ...world.signatory, role: 'administrator' }, now: new Date() },
      { userId: world.technician.id, active: false },
    ),
  );
  await expect.poll(() => streams.map((one) => one.ended)).toEqual([true, false]);
  expect(await auth().api.getSession({ headers: withCookie(token) })).toBeNull();
});

it('who signs says once more who they are: a wrong password signs nothing, five are followed by a wait, the right one says what the name means', async () => {
  const now = new Date('2026-11-27T09:00:00Z');
  const ask = (password: string, seconds = 0) =>
    confirmPerson(world.signatory, password, 'approve', new Date(now.getTime() + seconds * 1000)).catch(
      (error: Error) => error.message,
    );
  expect(await ask('a long password')).toEqual({
    by: 'Sign',
    at: now.toISOString(),
    act: 'approve',
    meaning: expect.stringContaining('in my name') as string,
    how: 'password',
  });
  for (let i = 0; i < 5; i += 1) expect(await ask('guessed', i)).toMatch(/nothing was signed/);
  expect(await ask('a long password', 5)).toMatch(/Wait/);
  expect(await ask('a long password', 20)).toMatchObject({ act: 'approve' });
});

it('what was signed stands with the document; an administrator signs none where the workshop keeps the two apart', async () => {
  const { run } = await world.finishedRun();
  const context = { actor: { ...world.signatory, role: 'administrator' as const }, now: new Date() };
  const signed = {
    by: 'Sign',
    at: new Date().toISOString(),
    act: 'approve' as const,
    meaning: 'In my name.',
    how: 'password' as const,
  };
  await world.db.transaction(async (tx) => writeSettings(tx, { ...(await readSettings(tx)), administratorSigns: false }));
  await expect(world.db.transaction((tx) => approveRun({ tx, ...context, signed }, { runId: run }))).rejects.toMatchObject({
    status: 403,
  });
  await world.db.transaction(async (tx) => writeSettings(tx, { ...(await readSettings(tx)), administratorSigns: true }));
  await world.db.transaction((tx) => approveRun({ tx, ...context, signed }, { runId: run }));
  expect((await world.app.query('select signed from certificate where run_id = $1', [run])).rows).toEqual([{ signed }]);
});
