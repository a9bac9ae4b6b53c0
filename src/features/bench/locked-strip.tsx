'use client';
import { useCallback, useEffect, useState } from 'react';
import { say } from '@/core/words/say';
import { post } from '@/platform/client/post';
import { Countdown, Elapsed } from '@/ui/running-clock';
import type { LockedPlace } from './server';
import { useRunChanges } from './use-run-changes';
import '@/core/words/en/lock';

/** What a locked screen shows of the bench: each place's clock, and gas that is open, which whoever stands there may close. */
export function LockedStrip() {
  const [places, setPlaces] = useState<LockedPlace[] | null>(null);
  const [said, setSaid] = useState('');
  const look = useCallback(async () => {
    const response = await fetch('/api/locked').catch(() => null);
    if (response?.ok) setPlaces((await response.json()) as LockedPlace[]);
  }, []);
  useRunChanges(() => void look());
  useEffect(() => {
    const first = setTimeout(() => void look(), 0);
    const timer = setInterval(() => void look(), 15_000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [look]);
  const close = async (run: string) => {
    const result = await post('/api/locked', { run });
    setSaid(result.ok ? '' : result.message);
    void look();
  };
  if (!places) return null;
  return (
    <section className="locked-strip" aria-label={say({ code: 'lock.bench' })}>
      {places.length === 0 && <p className="quiet">{say({ code: 'lock.quiet' })}</p>}
      {places.map((one) => (
        <div key={one.id} className={`locked-place${one.next?.gasSince ? ' gas' : ''}`}>
          <strong className="locked-number" aria-label={say({ code: 'lock.place', numbers: { place: String(one.place) } })}>
            {one.place}
          </strong>
          <span className="flex-grow-1">
            {one.name}
            <span className="d-block">{one.next?.gasSince ? say({ code: 'lock.gasOpen' }) : one.next?.title}</span>
          </span>
          {one.next?.gasSince ? (
            <>
              <Elapsed since={one.next.gasSince} className="clock" />
              <button type="button" className="btn btn-light fw-bold" onClick={() => void close(one.runId!)}>
                {say({ code: 'lock.gasOff' })}
              </button>
            </>
          ) : (
            clockOf(one) && <Countdown until={clockOf(one)!} />
          )}
        </div>
      ))}
      {said && (
        <p className="field-problem" role="alert">
          {said}
        </p>
      )}
    </section>
  );
}

const clockOf = ({ runId, next, placedAt, warmUpSeconds }: LockedPlace): string | null =>
  runId
    ? (next?.waitsUntil ?? null)
    : placedAt && warmUpSeconds !== null
      ? new Date(Date.parse(placedAt) + warmUpSeconds * 1000).toISOString()
      : null;
