'use client';
import { createStore, del, entries, set } from 'idb-keyval';
import type { Command } from '@/core/run/command';
import type { RunEvent } from '@/core/record/event';
import type { Refusal } from '@/core/words/refusal';
import { sayLocked } from '@/platform/client/locked';
import { SCREEN } from './live/use-hand';

/** A command on its way: kept in the browser's own database until the server has answered, so that neither a reload nor a lost network loses it. */
export interface Parcel {
  id: string;
  run: string;
  command: Command;
  at: string;
  /** Who pressed: nobody else's name ever stands under it. */
  by: { id: string; name: string };
}
export type Answer = { ok: true; events: RunEvent[] } | { ok: false; refusal: Refusal };

const ROUTE = '/api/bench';
const store = () => createStore('werkbank', 'bench-outbox');

export async function keep(parcel: Parcel): Promise<void> {
  await set(`${parcel.at}/${parcel.id}`, parcel, store());
}
async function forget(parcel: Parcel): Promise<void> {
  await del(`${parcel.at}/${parcel.id}`, store());
}

/** What an earlier page left behind for a run, oldest first: what this person pressed, and what waits for somebody else. */
export async function leftBehind(run: string, me: string): Promise<{ mine: Parcel[]; others: Parcel[] }> {
  const all = await entries<string, Parcel>(store());
  const here = all
    .map(([, parcel]) => parcel)
    .filter((parcel) => parcel.run === run)
    .sort((a, b) => a.at.localeCompare(b.at));
  return { mine: here.filter((one) => one.by?.id === me), others: here.filter((one) => one.by?.id !== me) };
}

/** Posts until the server answers. `onAway` is told while it doesn't. The command's id makes a repeat harmless. */
export async function deliver(parcel: Parcel, after: number, onAway: (away: boolean, message: string) => void): Promise<Answer> {
  for (let pause = 700; ; pause = Math.min(5000, pause * 1.6)) {
    try {
      const response = await fetch(ROUTE, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        // Its age by this computer's own clock: whatever that clock says, the difference is right.
        body: JSON.stringify({
          run: parcel.run,
          commandId: parcel.id,
          command: parcel.command,
          after,
          screen: SCREEN,
          by: parcel.by.id,
          ageMs: Math.max(0, Date.now() - Date.parse(parcel.at)),
        }),
      });
      const body = (await response.json()) as Answer & { message?: string; fields?: Record<string, string>; code?: string };
      if (response.status === 401) {
        onAway(true, 'You are signed out. Sign in again in another window: what you typed is kept and goes out then.');
      } else if (response.status === 423) {
        // The screen was locked meanwhile: it goes out when the same person goes on.
        onAway(true, body.message ?? '');
        sayLocked();
      } else if (body.ok === false && 'refusal' in body && body.refusal.code === 'notYours') {
        // Somebody else is signed in now: it waits here for its owner, and nothing is recorded under another name.
        onAway(false, '');
        return body;
      } else if (response.status < 500) {
        await forget(parcel);
        onAway(false, '');
        if (response.ok || (body.ok === false && 'refusal' in body)) return body;
        return {
          ok: false,
          refusal: { refused: true, code: body.code ?? 'problem', sentence: body.message ?? 'This was refused.' },
        };
      } else onAway(true, body.message ?? 'The server has trouble; trying again.');
    } catch {
      onAway(true, 'The workshop’s server can’t be reached. What you typed is kept and goes out by itself.');
    }
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
}

export async function eventsSince(run: string, after: number): Promise<RunEvent[]> {
  const response = await fetch(`/api/runs/${run}/events?after=${after}`);
  return response.ok ? ((await response.json()) as { events: RunEvent[] }).events : [];
}
