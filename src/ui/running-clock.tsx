'use client';
import { useEffect, useState } from 'react';
import { duration } from './format';

/** Now, once a second; null until the page is in the browser, so that server and browser draw the same first. */
export function useNow(every = 500): number | null {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    const first = setTimeout(tick, 0);
    const timer = setInterval(tick, every);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [every]);
  return now;
}

/** Counts down to an instant, then says that the time is over and counts on. */
export function Countdown({ until, className = 'clock' }: { until: string; className?: string }) {
  const now = useNow();
  const left = now === null ? null : (Date.parse(until) - now) / 1000;
  const over = left !== null && left <= 0;
  return (
    <span className={`${className}${over ? ' over' : ''}`} role="timer">
      {left === null ? '–:––' : over ? `ready +${duration(-left)}` : duration(left)}
    </span>
  );
}

export function Elapsed({ since, className }: { since: string; className?: string }) {
  const now = useNow();
  return (
    <span className={className} role="timer">
      {now === null ? '–:––' : duration((now - Date.parse(since)) / 1000)}
    </span>
  );
}
