'use client';
import { useState } from 'react';
import { attempt } from '@/platform/client/result';
import { askPanelAction } from './actions';
import type { PanelAsk } from './server';

/** A hand at a stand-in: what it does is asked of the panel, and the world as it is then comes back with a word. */
export function usePanel<World extends object>(lineId: string) {
  const [world, setWorld] = useState<Partial<World>>({});
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const ask = async (what: PanelAsk) => {
    setBusy(true);
    const answer = await attempt(() => askPanelAction({ lineId, ...what }));
    setBusy(false);
    if (!answer.ok) return setSaid(answer.message);
    const { pressed, ...now } = answer.value as { pressed?: { ok: boolean; why?: string } };
    setWorld(now as Partial<World>);
    setSaid(pressed ? (pressed.ok ? 'done' : `refused: ${pressed.why}`) : '');
  };
  return { world, said, busy, ask };
}
