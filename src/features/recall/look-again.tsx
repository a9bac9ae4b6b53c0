'use client';
import { useEffect } from 'react';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import '@/core/words/en/recall';

const EVERY_MS = 1000;

/** How far judging has come, looked at each second until it is done. */
export function LookAgain({ judged, runs, problem }: { judged: number; runs: number; problem: string | null }) {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => router.refresh(), EVERY_MS);
    return () => clearInterval(timer);
  }, [router]);
  return (
    <div data-testid="recall-progress">
      <p className="mb-1">{say({ code: 'recall.judging', numbers: { judged, runs } })}</p>
      <progress className="w-100" max={Math.max(1, runs)} value={judged} />
      {problem && (
        <p className="field-problem" role="alert">
          {say({ code: 'recall.failed', numbers: { problem } })}
        </p>
      )}
    </div>
  );
}
