'use client';
import Button from 'react-bootstrap/Button';
import { notBack } from '@/core/run/display-back';
import { waitBegan } from '@/core/run/wait-began';
import { measuredChannels } from '@/core/record/state';
import { endsByDisplay, waitSeconds } from '@/core/run/wait-seconds';
import { say } from '@/core/words/say';
import type { PlannedStep } from '@/core/run/plan-node';
import { Countdown } from '@/ui/running-clock';
import { ReasonForm } from '@/ui/reason-form';
import { lookOf, type Sheet } from '../sheet';
import { reasonsFor } from './reasons';

/** A clock that runs down. Going on before its time asks for the reason and is a deviation on record. */
export function WaitStep({ sheet, present }: { sheet: Sheet; present: PlannedStep }) {
  const { run } = sheet;
  const early = run.refusal?.code === 'tooEarly' || run.refusal?.code === 'notBack';
  const began = waitBegan(present, run.state);
  const seconds = present.step.kind === 'wait' ? waitSeconds(present.step, run.state) : 0;
  const until = began ? new Date(Date.parse(began) + seconds * 1000).toISOString() : null;
  // With a line a purge is over as soon as every display is back.
  const shown = present.step.kind === 'wait' && endsByDisplay(present.step, run.state) && sheet.onLine ? displays(sheet) : null;
  const back = shown !== null && notBack(run.state, shown).length === 0;
  const go = (deviation?: string) =>
    run.send({ type: 'completeStep', step: present.key, ...(deviation ? { deviation } : {}), ...(shown ? { shown } : {}) });
  return (
    <div>
      {until && <Countdown until={until} className="big-clock clock" />}
      <div className="mt-3">
        <Button data-main-action size="lg" disabled={run.busy} onClick={() => go()}>
          Go on <kbd>N</kbd>
        </Button>
        {back && <span className="ready-mark ms-3">{say({ code: 'wait.back' })}</span>}
        {present.status === 'todo' && (
          <Button
            variant="plain"
            className="ms-2"
            disabled={run.busy}
            onClick={() => run.send({ type: 'enterStep', step: present.key })}
          >
            Begin its clock
          </Button>
        )}
      </div>
      {early && (
        <ReasonForm
          label={run.refusal!.sentence}
          problem={run.refusal!.sentence}
          reasons={reasonsFor('early')}
          act="Go on all the same"
          danger
          busy={run.busy}
          onSend={(reason) => void go(reason)}
        />
      )}
    </div>
  );
}

/** What each measured channel shows on the line. */
const displays = (sheet: Sheet): Record<string, string> =>
  Object.fromEntries(
    measuredChannels(sheet.run.state).flatMap(({ id }) => {
      const look = lookOf(sheet, id);
      return look?.status === 'value' ? [[id, look.text]] : [];
    }),
  );
