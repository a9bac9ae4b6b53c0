'use client';
import { useEffect, useRef, useState } from 'react';
import { inputsOfPoint } from '@/core/run/inputs-of-point';
import { isRefusal } from '@/core/words/refusal';
import type { Capture } from '@/core/record/evidence';
import type { PlannedStep } from '@/core/run/plan-node';
import { say } from '@/core/words/say';
import type { RunChannel } from '@/core/record/event';
import { roundUncertainty } from '@/core/quantity/round-uncertainty';
import { ToleranceRuler } from '@/ui/tolerance-ruler';
import { VerdictMark } from '@/ui/verdict-mark';
import { signed } from '@/ui/format';
import { ReasonForm } from '@/ui/reason-form';
import { useKept } from '@/ui/use-kept';
import { reasonsFor } from './steps/reasons';
import { shownAs, type Shown } from './shown-as';
import { inputsFromLine, withTyped } from './live/inputs-live';
import { openLiquid } from './steps/open-liquid';
import { LiveReading } from './live/live-reading';
import { capturable } from './live/live-rules';
import { lookOf, type Sheet } from './sheet';
import { useJudged } from './use-judged';

/** One channel asking for what its display shows. Error, tolerance, uncertainty and verdict appear while it is typed, by the same functions that record it. */
export function ChannelInput({
  sheet,
  step,
  point,
  channel,
  focus,
}: {
  sheet: Sheet;
  step: PlannedStep;
  point: string;
  channel: RunChannel;
  focus: boolean;
}) {
  const { run, view } = sheet;
  const look = lookOf(sheet, channel.id);
  const matched = view.match[channel.id];
  const [kept, keep] = useKept<{ text: string; inputs: Record<string, string> }>(
    `${run.state.run}/${step.key}/${point}/${channel.id}`,
    EMPTY,
  );
  const [refused, setRefused] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const [soon, setSoon] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  // With a line the keys of the sheet work, before its first frame as well; without one the first field waits for what is typed.
  const typing = focus && view.line?.state !== 'connected';
  useEffect(() => {
    if (typing) field.current?.focus({ preventScroll: true });
    // The line came: the keys of the sheet must not land in an empty field.
    else if (document.activeElement === field.current && !field.current?.value) field.current?.blur();
  }, [typing]);
  const definition = view.procedure.points.find((one) => one.id === point)!;
  const asked = inputsOfPoint(definition, channel);
  const read = inputsFromLine(sheet, definition, channel);
  const told = JSON.stringify(withTyped(read, kept.inputs));
  const inputs = JSON.parse(told) as Record<string, string>;
  const text = kept.text;
  const shown = shownAs(text);
  const liquid = openLiquid(view.procedure, run.state) !== null;
  const taken =
    look && view.line && step.step.kind === 'read' ? capturable(look, view.line.id, step.step.phase, { liquid }) : null;
  // While nothing is typed the ruler moves with what the display shows.
  const seen =
    (shown.status === 'value' || shown.status === 'flicker' ? shown.text : '') ||
    (sheet.onLine && look?.status === 'value' ? look.text : '');
  const { target, judged } = useJudged({
    procedure: view.procedure,
    state: run.state,
    point: definition,
    channel,
    seen,
    told,
    computed: step.step.kind === 'read' ? step.step.computed : undefined,
  });
  const problem = refused ?? (isRefusal(judged) && text.trim() ? judged.sentence : null);
  const verdict = judged && !isRefusal(judged) ? judged.judgement : null;
  const counts = step.step.kind === 'read' && step.step.counts !== false;
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    // Nothing typed: what has settled on the line is taken, with what was typed beside it.
    const settled = !text.trim() && taken ? taken : null;
    const dead = shown.status !== 'value' && shown.status !== 'flicker';
    if ((!text.trim() && !settled) || (!dead && isRefusal(judged))) {
      setRefused(
        isRefusal(judged)
          ? judged.sentence
          : sheet.onLine
            ? 'Not settled yet: wait, or type what the display shows.'
            : 'Type what the display shows.',
      );
      return;
    }
    await take(settled?.text ?? shown.text, shown.status, settled?.capture);
  };
  const take = async (what: string, status: Shown['status'], capture?: Capture, deviation?: string) => {
    setSending(true);
    const answer = await run.send({
      type: 'captureReading',
      step: step.key,
      point,
      channel: channel.id,
      text: what,
      ...(status === 'value' ? {} : { status }),
      ...(capture ? { capture } : {}),
      ...(deviation ? { deviation } : {}),
      ...(Object.keys(inputs).length ? { inputs } : {}),
    });
    setSending(false);
    setSoon(answer?.code === 'tooSoon' ? answer.sentence : null);
    if (answer) setRefused(answer.code === 'tooSoon' ? null : answer.sentence);
    else keep(EMPTY);
  };
  const id = `reading-${channel.id}-${point}`;
  return (
    <form
      className={`channel-row${asked.length ? ' with-inputs' : ''}${sheet.onLine && look && !asked.length ? ' live' : ''}`}
      onSubmit={send}
      data-testid={`channel-${channel.role}-${point}`}
    >
      <label htmlFor={id}>
        <span className="label d-block">{channel.label}</span>
        <span className="target">
          {target && !isRefusal(target)
            ? `${definition.label} ${target.value} ${channel.unit}`
            : `${definition.label}, ${channel.unit}`}
        </span>
      </label>
      <div className="ruler-cell">
        {verdict?.upper && Number(verdict.upper) > 0 && verdict.error !== null ? (
          <ToleranceRuler
            name={channel.label}
            unit={channel.unit}
            tolerance={Number(verdict.upper)}
            expanded={Number(verdict.expanded)}
            guarded={verdict.rule === 'guarded'}
            marks={[
              {
                error: Number(verdict.error),
                state: counts ? verdict.state : 'notMeasured',
                hollow: step.step.kind === 'read' && step.step.phase === 'asFound',
                label: text.trim() ? 'typed' : 'live',
              },
            ]}
            earlier={(view.earlier[`${channel.id}/${point}`] ?? []).map((entry) => Number(entry.error))}
          />
        ) : (
          <span className="quiet small">
            {isRefusal(target) ? target.sentence : 'Type what the display shows, with its digits.'}
          </span>
        )}
      </div>
      <div className="d-flex gap-1 channel-inputs">
        {asked.map(({ name, label }) => (
          <input
            key={name}
            className="form-control mono"
            style={{ width: '6.4rem' }}
            aria-label={`${label} of ${channel.label}`}
            placeholder={read[name] === undefined ? label : `${read[name]} ${label}`}
            value={kept.inputs[name] ?? ''}
            onChange={(event) => {
              setRefused(null);
              keep({ text, inputs: { ...kept.inputs, [name]: event.target.value } });
            }}
          />
        ))}
        <input
          ref={field}
          id={id}
          className={`form-control reading-input${problem ? ' is-invalid' : ''}`}
          data-no-scan
          title="O over range, U under range, F fault; a figure with ~ flickers"
          inputMode="decimal"
          autoComplete="off"
          value={text}
          aria-invalid={Boolean(problem)}
          aria-describedby={`${id}-says`}
          disabled={sending}
          onChange={(event) => {
            setRefused(null);
            keep({ text: event.target.value, inputs: kept.inputs });
          }}
        />
        {asked.length > 0 && (
          <button type="submit" className="btn btn-plain" disabled={sending}>
            Take
          </button>
        )}
      </div>
      {sheet.onLine && look && (
        <div className="under now">
          <LiveReading
            look={look}
            unit={channel.unit}
            target={target && !isRefusal(target) ? Number(target.value) : null}
            name={channel.role}
          />
          {verdict && !text.trim() && counts && (
            <VerdictMark state={verdict.state} word={`${WORD[verdict.state]} ${signed(verdict.error)}`} />
          )}
          {taken && sheet.live.frame?.mode !== 'warmUp' && <span className="ready-mark">ready to capture</span>}
        </div>
      )}
      {soon && (
        <div className="under">
          <ReasonForm
            label={`Why ${channel.label} counts`}
            problem={soon}
            reasons={reasonsFor('reading')}
            act="Take it all the same"
            danger
            busy={sending}
            onSend={(deviation) => void take(shown.text, shown.status, undefined, deviation)}
            onStay={() => setSoon(null)}
          />
        </div>
      )}
      {matched && 'problem' in matched && (
        <div className="under quiet small" role="note">
          {matched.problem}
        </div>
      )}
      <div className="under" id={`${id}-says`} aria-live={text.trim() ? 'polite' : 'off'}>
        {shown.status !== 'value' && shown.status !== 'flicker' ? (
          <span>
            {say({ code: `shown.${shown.status}` })} <span className="quiet">Enter takes it</span>
          </span>
        ) : problem ? (
          <span className="field-problem">{problem}</span>
        ) : (
          verdict &&
          (text.trim() || !sheet.onLine) && (
            <span className="d-flex flex-wrap gap-3">
              {counts ? <VerdictMark state={verdict.state} /> : <span className="quiet">recorded, not judged</span>}
              <span>
                error <span className="mono">{signed(verdict.error)}</span> {channel.unit}
              </span>
              <span>
                tolerance <span className="mono">± {verdict.upper}</span>
              </span>
              {verdict.expanded && (
                <span>
                  U <span className="mono">{roundUncertainty({ expanded: Number(verdict.expanded) }).text}</span> {channel.unit}{' '}
                  (k = {verdict.k})
                </span>
              )}
              {text.trim() && <span className="quiet">Enter takes it{shown.status === 'flicker' && ', as flickering'}</span>}
            </span>
          )
        )}
      </div>
    </form>
  );
}

const WORD = { within: 'within', outside: 'outside', cannotTell: 'cannot tell', notMeasured: 'not measured' };
const EMPTY = { text: '', inputs: {} };
