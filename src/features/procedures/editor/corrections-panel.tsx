'use client';
import Button from 'react-bootstrap/Button';
import type { Correction, Difference } from '@/core/procedure/differences';
import { say } from '@/core/words/say';
import { isParts } from '@/ui/is-parts';
import '@/core/words/en/procedures';

/** What was corrected in the shipped procedure since it was copied. Nothing comes over by itself. */
export function CorrectionsPanel({ corrected, take }: { corrected: readonly Correction[]; take?: (one: Difference) => void }) {
  if (corrected.length === 0) return null;
  return (
    <div className="sheet mt-3" data-testid="corrections">
      <h2>{say({ code: 'procedures.corrected' })}</h2>
      <DifferenceList
        differences={corrected}
        beside={(one) => (
          <>
            {corrected.find((each) => each.key === one.key)?.both && (
              <span className="field-problem">{say({ code: 'procedures.both' })}</span>
            )}
            {take && (
              <Button variant="plain" size="sm" onClick={() => take(one)}>
                {say({ code: 'procedures.takeOver' })}
              </Button>
            )}
          </>
        )}
      />
    </div>
  );
}

const stateOf = ({ before, after }: Difference) => (before === undefined ? 'added' : after === undefined ? 'gone' : 'changed');

/** Parts that differ, each from what to what. */
export function DifferenceList({
  differences,
  beside,
}: {
  differences: readonly Difference[];
  beside?: (one: Difference) => React.ReactNode;
}) {
  return (
    <ul className="mb-0">
      {differences.map((one) => (
        <li key={one.key} className="mb-1">
          <span className="quiet">{say({ code: `piece.${one.kind}` })}</span> {one.text},{' '}
          {say({ code: `procedures.${stateOf(one)}` })} {beside?.(one)}
          {one.before !== undefined && one.after !== undefined && (
            <span className="d-block small mono diff-line">{partsThatDiffer(one.before, one.after)}</span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Of something with parts only those that differ. */
function partsThatDiffer(before: string, after: string): string {
  const [was, is]: unknown[] = [JSON.parse(before), JSON.parse(after)];
  const plain = (value: unknown): string => {
    if (value === undefined) return '—';
    if (Array.isArray(value) && value.every((one) => typeof one === 'string')) return value.join(' / ');
    return typeof value === 'string' ? value : JSON.stringify(value);
  };
  if (!isParts(was) || !isParts(is)) return `${plain(was)} → ${plain(is)}`;
  return [...new Set([...Object.keys(was), ...Object.keys(is)])]
    .filter((key) => JSON.stringify(was[key]) !== JSON.stringify(is[key]))
    .map((key) => `${key}: ${plain(was[key])} → ${plain(is[key])}`)
    .join('; ');
}
