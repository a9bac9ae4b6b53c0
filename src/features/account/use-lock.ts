'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { onLocked } from '@/platform/client/locked';
import { post } from '@/platform/client/post';

const HAND = 'werkbank.hand';
const LOCKED = 'werkbank.locked';
const LOOK_MS = 1000;
const SAY_MS = 60_000;
const HANDS = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const;

const read = (key: string): string => {
  try {
    return window.localStorage.getItem(key) ?? '';
  } catch {
    return '';
  }
};
const keep = (key: string, value: string): void => {
  try {
    window.localStorage.setItem(key, value);
  } catch {
    /* a browser that keeps nothing locks each of its windows for itself */
  }
};

/**
 * Whether this screen is locked: after so many minutes without a hand in any window of this browser, at a word, or because the house says so. A hand is told to the house once a minute. What lies beneath is hidden, not taken
 * away: what was typed is there when the same person goes on.
 */
export function useLock(me: string, afterMinutes: number, lockedByHouse: boolean) {
  const [locked, setLocked] = useState(lockedByHouse);
  const cover = useCallback(
    (on: boolean, who = me) => {
      keep(LOCKED, on ? 'yes' : `no ${who} ${Date.now()}`);
      setLocked(on);
    },
    [me],
  );
  /** Whoever unlocks at once waits for it: a word that came later would lock the house behind an open screen. */
  const told = useRef<Promise<unknown>>(Promise.resolve());
  const lock = useCallback(() => {
    cover(true);
    told.current = post('/api/screen', { act: 'lock' });
  }, [cover]);
  useEffect(() => {
    document.documentElement.toggleAttribute('data-locked', locked);
  }, [locked]);
  useEffect(() => onLocked(() => cover(true)), [cover]);
  useEffect(() => {
    // Another window of this browser was locked, or somebody went on there; somebody else's pages are loaded anew.
    const heard = ({ key, newValue }: StorageEvent) => {
      if (key !== LOCKED) return;
      if (newValue?.startsWith('no ') && newValue.split(' ')[1] !== me) window.location.reload();
      else setLocked(newValue === 'yes');
    };
    window.addEventListener('storage', heard);
    return () => window.removeEventListener('storage', heard);
  }, [me]);
  useEffect(() => {
    let last = Date.now();
    let told = Date.now();
    const hand = () => {
      last = Date.now();
    };
    HANDS.forEach((name) => window.addEventListener(name, hand, { capture: true, passive: true }));
    const timer = setInterval(() => {
      if (document.documentElement.hasAttribute('data-locked')) {
        last = Date.now();
        return;
      }
      if (last > Number(read(HAND))) keep(HAND, String(last));
      const newest = Math.max(last, Number(read(HAND)));
      if (afterMinutes > 0 && Date.now() - newest > afterMinutes * 60_000) lock();
      else if (last > told && Date.now() - told > SAY_MS) {
        told = Date.now();
        void post('/api/screen', { act: 'present' }).then((answer) => {
          if (!answer.ok && answer.code === 'locked') cover(true);
        });
      }
    }, LOOK_MS);
    return () => {
      HANDS.forEach((name) => window.removeEventListener(name, hand, { capture: true }));
      clearInterval(timer);
    };
  }, [afterMinutes, lock, cover]);
  return { locked, lock, cover, told };
}
