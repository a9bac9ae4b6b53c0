'use client';
import { useMemo, useState } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { currentSteps, plan } from '@/core/run/plan';
import { openStimulus } from '@/core/run/state';
import { KeyStrip } from '@/ui/key-strip';
import { useKeys } from '@/ui/use-keys';
import { BenchFacts } from './bench-facts';
import { ChannelBoard } from './channel-board';
import { GasBar } from './gas-bar';
import { PresentStep } from './present-step';
import { RunLog } from './run-log';
import type { RunView } from './server/run-view';
import { useRun } from './use-run';

/** The run sheet: one screen. The steps as a strip that fills, the present one large, the channels on their rulers, the bench's facts beside. */
export function RunSheet({ view, zone }: { view: RunView; zone: string }) {
  const router = useRouter();
  const run = useRun(view.state);
  const [practice] = useState(view.state.started?.practice);
  const { state } = run;
  const steps = useMemo(() => plan(view.procedure, state), [view.procedure, state]);
  const [present] = currentSteps(view.procedure, state);
  const gas = openStimulus(state);
  const closeGas = () => {
    if (gas) void run.send({ type: 'changeStimulus', step: present?.key ?? 'gas', slot: gas.slot, on: false });
  };
  useKeys({
    g: closeGas,
    b: () => router.push('/'),
    n: () => document.querySelector<HTMLElement>('[data-main-action]')?.click(),
  });
  return (
    <main className="page">
      {run.away && (
        <div className="away mb-2" role="alert">
          {run.away}
        </div>
      )}
      <div className="page-head">
        <h1>
          {view.asset.maker} {view.asset.model}
        </h1>
        <span className="mono">{view.asset.serial}</span>
        {view.asset.tag && <span className="mono quiet">{view.asset.tag}</span>}
        <span className="quiet">{view.customer}</span>
        <span className="end">
          {practice && <span className="gas-on-mark">PRACTICE</span>}
          {view.ticket?.place && (
            <span>
              Place <strong>{view.ticket.place}</strong>
            </span>
          )}
          {view.ticket && (
            <Link className="mono" href={`/tickets/${view.ticket.id}`}>
              {view.ticket.code}
            </Link>
          )}
        </span>
      </div>
      <ol className="step-strip" aria-label="Steps">
        {steps.map((step) => (
          <li
            key={step.key}
            className={step.key === present?.key ? 'open' : step.status}
            title={step.step.title}
            aria-label={`${step.step.title}: ${step.status}`}
          />
        ))}
      </ol>
      {gas && (
        <GasBar
          span={gas}
          binding={state.bindings.find((binding) => binding.seq === gas.binding) ?? null}
          onClose={closeGas}
          busy={run.busy}
        />
      )}
      <div className="run-grid">
        <div>
          <PresentStep key={present?.key ?? state.status} run={run} view={view} present={present} gasOpen={gas !== null} />
          <ChannelBoard run={run} view={view} present={present} />
        </div>
        <aside>
          <BenchFacts view={view} state={state} />
          <RunLog run={run} view={view} zone={zone} />
        </aside>
      </div>
      <KeyStrip
        keys={[
          ['Enter', 'take the reading'],
          ['N', 'do the step'],
          ...(gas ? [['G', 'gas off'] as [string, string]] : []),
          ['B', 'bench'],
          ['/', 'scan'],
        ]}
      />
    </main>
  );
}
