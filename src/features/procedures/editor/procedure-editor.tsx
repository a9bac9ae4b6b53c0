'use client';
import { useEffect, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import type { Correction } from '@/core/procedure/differences';
import type { Procedure } from '@/core/procedure/procedure';
import { takeOver } from '@/core/procedure/take-over';
import { validateProcedure } from '@/core/procedure/validate-procedure';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { askWalkAction, keepDraftAction } from '../actions';
import type { Choice } from './choice';
import { ChosenForm } from './chosen-form';
import { CorrectionsPanel } from './corrections-panel';
import { Outline } from './outline';
import { ReleaseForm } from './release-form';
import { WalkPanel } from './walk-panel';
import type { OwnPage } from '../server/own-page';
import '@/core/words/en/procedures';

/** How often it is looked whether the walk has come back, ms. */
const LOOK_MS = 1500;

interface Props {
  draft: Procedure;
  rowVersion: number;
  walk: OwnPage['walk'];
  corrected: readonly Correction[];
  mayRelease: boolean;
  me: string;
  today: string;
}

/** A draft: its outline beside the form of what is chosen, and below what stands between it and its release. */
export function ProcedureEditor({ draft, rowVersion, walk, corrected, mayRelease, me, today }: Props) {
  const router = useRouter();
  const [procedure, setProcedure] = useState(draft);
  const [version, setVersion] = useState(rowVersion);
  const [chosen, choose] = useState<Choice>({ kind: 'head' });
  const [said, setSaid] = useState('');
  const [kept, setKept] = useState(draft);
  const [asked, setAsked] = useState(false);
  // A second press while the first is on its way would keep the same draft against itself.
  const [keeping, setKeeping] = useState(false);
  const changed = procedure !== kept;
  const waiting = asked && walk === null;
  useEffect(() => {
    if (!waiting) return;
    const timer = setInterval(() => router.refresh(), LOOK_MS);
    return () => clearInterval(timer);
  }, [waiting, router]);
  const keep = async (): Promise<boolean> => {
    if (!changed) return true;
    setKeeping(true);
    const result = await attempt(() => keepDraftAction({ procedureId: draft.id, rowVersion: version, draft: procedure }));
    setKeeping(false);
    setSaid(result.ok ? '' : result.message);
    if (!result.ok) return false;
    setVersion(result.value.rowVersion);
    setKept(procedure);
    setAsked(false);
    router.refresh();
    return true;
  };
  const askWalk = async () => {
    if (!(await keep())) return;
    const result = await attempt(() => askWalkAction({ procedureId: draft.id }));
    setSaid(result.ok ? '' : result.message);
    setAsked(result.ok);
    router.refresh();
  };
  const faults = validateProcedure(procedure);
  return (
    <>
      <div className="sheet edit-bar mb-3">
        <Button variant="primary" disabled={!changed || keeping} onClick={() => void keep()}>
          {say({ code: 'procedures.keep' })}
        </Button>
        <Button variant="plain" disabled={waiting || keeping || faults.length > 0} onClick={() => void askWalk()}>
          {say({ code: 'procedures.walk' })}
        </Button>
        <span className="quiet" role="status">
          {say({ code: changed ? 'procedures.unkept' : 'procedures.kept' })}
        </span>
        {said && (
          <p className="field-problem w-100 mb-0" role="alert">
            {said}
          </p>
        )}
      </div>
      <div className="edit-grid">
        <Outline procedure={procedure} chosen={chosen} choose={choose} change={setProcedure} />
        <div className="edit-side">
          <div className="sheet" data-testid="chosen">
            <ChosenForm procedure={procedure} chosen={chosen} choose={choose} change={setProcedure} />
          </div>
          <WalkPanel faults={faults} walk={changed ? null : walk} waiting={waiting} />
          <CorrectionsPanel corrected={changed ? [] : corrected} take={(one) => setProcedure(takeOver(procedure, one))} />
          {mayRelease && !changed && faults.length === 0 && walk?.current && walk.faults.length === 0 && (
            <ReleaseForm procedureId={draft.id} rowVersion={version} me={me} today={today} />
          )}
        </div>
      </div>
    </>
  );
}
