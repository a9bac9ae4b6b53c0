'use client';
import { useEffect } from 'react';

/** Shown when a page can't be made: the database away, or something nobody foresaw. Looks again by itself. */
export function FailedView({ reset }: { error: Error & { digest?: string }; reset: () => void }) {
  useEffect(() => {
    const timer = setInterval(async () => {
      const healthy = await fetch('/api/health')
        .then((response) => response.ok)
        .catch(() => false);
      if (healthy) window.location.reload();
    }, 2500);
    return () => clearInterval(timer);
  }, []);
  return (
    <main className="page page-narrow">
      <div className="away mb-3" role="alert">
        This page can’t be made just now. Perhaps the database is away for a moment; it is tried again by itself.
      </div>
      <button type="button" className="btn btn-primary" onClick={reset}>
        Try now
      </button>
    </main>
  );
}
