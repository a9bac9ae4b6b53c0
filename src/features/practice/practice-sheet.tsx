'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Procedure } from '@/core/procedure/procedure';
import type { ScriptedRun } from '@/core/run/scripted';
import type { ModelChannel } from '@/core/stored/channel';
import type { Traits } from '@/core/instrument/traits';
import { hurried } from '@/core/practice/hurried';
import { beginOnModel } from '@/core/walk/begin-on-model';
import { say } from '@/core/words/say';
import { SheetOf, type RunView } from '@/features/bench';
import { practiceView } from './practice-view';
import { usePractice } from './use-practice';
import '@/core/words/en/practice';

export interface PracticeOf {
  model: { id: string; maker: string; name: string; traits: Traits; channels: ModelChannel[] };
  procedure: Procedure;
  keys: RunView['keys'];
  mayWriteKeys: boolean;
  me: { id: string; name: string };
  today: string;
  currency: string;
  zone: string;
}
const SERIAL = 'PRACTICE';
const HAND = { mine: true, who: '', take: () => undefined };

/** PRACTICE on the sheet of a model, at once, with an instrument of exactly its properties. It begins in the browser and ends with the page. */
export function PracticeSheet(props: PracticeOf) {
  const [tries, setTries] = useState(0);
  const [begun, setBegun] = useState<{ view: RunView; run: ScriptedRun } | string | null>(null);
  useEffect(() => {
    // Its clock is this browser's: it begins where it is looked at.
    const timer = setTimeout(() => setBegun(begin(props, tries)), 0);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the page may be drawn again meanwhile: a run goes on
  }, [tries]);
  if (begun === null) return <main className="page" />;
  if (typeof begun === 'string')
    return (
      <main className="page">
        <p className="notice bad" role="alert">
          {say({ code: 'practice.cannot', numbers: { why: begun } })}
        </p>
      </main>
    );
  return (
    <>
      <div className="practice-bar" data-testid="practice">
        <span>{say({ code: 'practice.says' })}</span>
        <Button size="sm" variant="plain" onClick={() => setTries(tries + 1)}>
          {say({ code: 'practice.again' })}
        </Button>
      </div>
      <Practice key={begun.run.state.run} begun={begun} zone={props.zone} />
    </>
  );
}

function Practice({ begun: { run: scripted, view }, zone }: { begun: { view: RunView; run: ScriptedRun }; zone: string }) {
  const { listen, ...run } = usePractice(scripted, view.state.started?.items[0]?.traits.pumped ?? false, view.me);
  return <SheetOf view={view} zone={zone} run={run} hand={HAND} listen={listen} />;
}

function begin({ model, procedure, keys, mayWriteKeys, me, today, currency }: PracticeOf, tries: number) {
  try {
    const quick = hurried(procedure);
    const { run, shelf } = beginOnModel(quick, model, {
      run: `practice-${model.id}-${tries}-${Date.now()}`,
      actor: { ...me, role: 'technician' },
      start: new Date(),
      item: { model: `${model.maker} ${model.name}`, serial: SERIAL },
    });
    const view = practiceView({ run, shelf, model, keys, mayWriteKeys, me, today, currency });
    return { view, run };
  } catch (error) {
    return (error as Error).message;
  }
}
