'use client';
import { DiagnosisCard } from './diagnosis/diagnosis-card';
import { ProbeSoFar } from './probe-so-far';
import type { Sheet } from './sheet';

/** What is said about what was measured: likely causes, the electrode so far. */
export function Besides({ sheet }: { sheet: Sheet }) {
  return (
    <>
      <DiagnosisCard sheet={sheet} />
      <ProbeSoFar sheet={sheet} />
    </>
  );
}
