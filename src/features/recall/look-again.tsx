'use client';
import { say } from '@/core/words/say';
import { useLookAgain } from '@/ui/use-look-again';
import '@/core/words/en/recall';

/** How far judging has come, looked at each second until it is done. */
export function LookAgain({ judged, runs, problem }: { judged: number; runs: number; problem: string | null }) {
  useLookAgain();
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
