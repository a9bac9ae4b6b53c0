'use client';
import { currentSteps } from '@/core/run/plan';
import type { Attempt } from '@/core/practice/attempt';
import { FINDING_CODES } from '@/core/practice/finding';
import { cautionsPassed, keysPressed, readingsTaken, wrongBottles } from '@/core/practice/found-at-bench';
import { say } from '@/core/words/say';
import { findingSentence } from './finding-sentence';
import '@/core/words/en/practice-exercise';

/** Who is shown the way: what a master does at this step, and at once what was not done well. `acts`: how much was done, so that it is looked at anew. */
export function CoachLine({ attempt }: { attempt: Attempt; acts: number }) {
  const [place] = attempt.places;
  const [present] = currentSteps(place!.run.procedure, place!.run.state);
  const found = [wrongBottles, readingsTaken, keysPressed, cautionsPassed].flatMap((look) => look(attempt, place!));
  const last = found.sort((a, b) => (a.done ?? 0) - (b.done ?? 0)).at(-1);
  const fresh = last && last.done === attempt.done.length - 1;
  return (
    <div className="notice m-2" data-testid="coach">
      {present ? say({ code: `practice.coach.${present.step.kind}` }) : say({ code: 'practice.coach.end' })}
      {fresh && FINDING_CODES.includes(last.code) && (
        <p className="field-problem mb-0" role="status">
          {findingSentence(last)}
        </p>
      )}
    </div>
  );
}
