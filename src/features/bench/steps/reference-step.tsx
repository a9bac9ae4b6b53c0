'use client';
import type { Traits } from '@/core/instrument/traits';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { checkReference } from '@/core/run/check-reference';
import { measuredChannels, traitsOf } from '@/core/record/state';
import { matchBottles, type BottleMatch } from '@/core/supply/match-bottle';
import { say } from '@/core/words/say';
import { matchRegulator } from '@/core/supply/match-regulator';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { componentText } from '@/ui/component-text';
import { day } from '@/ui/format';
import { litresOfRun } from './litres-of-run';
import { slotOf } from '../live/live-rules';
import type { RunView } from '../server/run-view';
import type { LiveRun } from '../use-run';

/** The shelf for this step: the best one first, with the reason. What can't be used stays in sight with the reason why not; the server refuses it all the same. */
export function ReferenceStep({
  run,
  view,
  slots,
  onDone = () => undefined,
}: {
  run: LiveRun;
  view: RunView;
  slots: string[];
  onDone?: () => void;
}) {
  const open = slots.find(
    (id) => !run.state.bindings.some((binding) => binding.slot === id && !binding.released && !binding.struck),
  );
  const slot = view.procedure.slots.find((one) => one.id === (open ?? slots[0]))!;
  const traits = traitsOf(run.state);
  const regulators = view.shelf.filter((one) => one.role === 'regulator');
  const fits = (one: ReferenceSnapshot, bottle: ReferenceSnapshot | null) =>
    one.expires && one.expires < view.today
      ? {
          verdict: 'refused' as const,
          sentence: `Its check was due on ${one.expires}.`,
          flowLPerMin: null,
          code: 'unusable' as const,
        }
      : !slot.flows || slot.flows.some((each) => Number(each) === Number(one.detail?.flowLPerMin))
        ? matchRegulator({ regulator: one, bottle, traits })
        : {
            verdict: 'refused' as const,
            sentence: say({
              code: 'refused.flow',
              numbers: { slot: slot.label, flows: slot.flows.join(', '), flow: one.detail?.flowLPerMin ?? '–' },
            }),
            flowLPerMin: null,
            code: 'unusable' as const,
          };
  const order = { fits: 0, caution: 1, refused: 2 };
  const wanted = slot.flows?.[0] ?? traits.drawsLPerMin ?? '0.5';
  const best = [...regulators].sort(
    (a, b) =>
      order[fits(a, null).verdict] - order[fits(b, null).verdict] ||
      Number(b.detail?.flowLPerMin === wanted) - Number(a.detail?.flowLPerMin === wanted),
  )[0];
  const [chosen, setChosen] = useState<string>(best && fits(best, null).verdict !== 'refused' ? best.id : '');
  const [flow, setFlow] = useState(wanted);
  const regulator = regulators.find((one) => one.id === chosen) ?? null;
  const advice = regulator ? fits(regulator, null) : null;
  const matches = useMatches(run, view, slot, traits);
  const use = async (reference: ReferenceSnapshot) => {
    const refused = await run.send({
      type: 'bindReference',
      slot: slot.id,
      reference: reference.id,
      ...(slot.kind === 'gas' ? (regulator ? { regulator: regulator.id } : { flowLPerMin: flow }) : {}),
    });
    if (!refused) onDone();
  };
  return (
    <div>
      {slot.kind === 'gas' && (
        <div className="d-flex flex-wrap gap-2 align-items-center mb-2">
          <Form.Label className="d-flex gap-2 align-items-center mb-0">
            Regulator{' '}
            <Form.Select value={chosen} onChange={(event) => setChosen(event.target.value)} style={{ width: '17rem' }}>
              {regulators.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name} {one.lot}
                  {fits(one, null).verdict === 'refused' ? ' (can’t be used)' : ''}
                </option>
              ))}
              <option value="">another, flow by hand</option>
            </Form.Select>
          </Form.Label>
          {!regulator && (
            <Form.Label className="d-flex gap-2 align-items-center mb-0">
              Regulator flow, L/min{' '}
              <Form.Control
                className="mono"
                style={{ width: '5.5rem' }}
                value={flow}
                onChange={(event) => setFlow(event.target.value)}
                inputMode="decimal"
              />
            </Form.Label>
          )}
          {advice && <span className={advice.verdict === 'fits' ? 'quiet small' : 'field-problem'}>{advice.sentence}</span>}
          {regulator?.detail?.handling && <span className="quiet small">{regulator.detail.handling}</span>}
        </div>
      )}
      <div className="d-flex flex-column gap-2" style={{ maxHeight: '24rem', overflowY: 'auto' }}>
        {matches.map(({ reference, problem, match }, index) => (
          <div
            key={reference.id}
            className={`d-flex flex-wrap gap-3 align-items-center sheet py-2 m-0${index === 0 && !problem ? ' best-match' : ''}`}
            data-testid={`reference-${reference.lot}`}
          >
            <div style={{ flex: '1 1 18rem', opacity: problem ? 0.75 : 1 }}>
              <strong>{reference.name}</strong> <span className="mono">{reference.lot}</span>
              {reference.expires && <span className="quiet"> until {day(reference.expires)}</span>}
              {reference.availableL && <span> · {reference.availableL} L left</span>}
              {match?.runsLeft !== null && match !== null && !problem && (
                <span className="quiet"> · {match.runsLeft} runs like this</span>
              )}
              <div className="small quiet">
                {reference.components.map((component) => componentText(reference.kind, component)).join(' · ')}
              </div>
              {problem && <div className="field-problem">{problem}</div>}
              {match && <Reasons match={match} problem={problem} />}
              {index === 0 && !problem && slot.kind === 'gas' && (
                <div className="small best-word">Best: serves every channel, nearest to its end.</div>
              )}
            </div>
            <Button
              {...(index === 0 && !problem ? { 'data-main-action': true } : {})}
              variant={problem ? 'plain' : 'primary'}
              disabled={run.busy || Boolean(problem)}
              onClick={() => void use(reference)}
            >
              {problem ? 'Can’t be used' : 'Use this one'}
              {index === 0 && !problem && (
                <>
                  {' '}
                  <kbd>N</kbd>
                </>
              )}
            </Button>
          </div>
        ))}
        {matches.length === 0 && <p className="quiet mb-0">Nothing of this kind stands on the shelf.</p>}
      </div>
      {run.refusal && ['reference', 'flowLPerMin', 'regulator'].includes(run.refusal.field ?? '') && (
        <p className="notice bad mt-2 mb-0" role="alert">
          {run.refusal.sentence}
        </p>
      )}
    </div>
  );
}

function Reasons({ match, problem }: { match: BottleMatch; problem: string | null }) {
  const said = match.reasons.filter((one) => one.weight !== 'fine' && one.sentence !== problem);
  if (said.length === 0) return null;
  return (
    <ul className="small mb-0 ps-3">
      {said.map((one, index) => (
        <li key={index} className={one.weight === 'refuses' ? 'refuses' : 'warns'}>
          {one.sentence}
        </li>
      ))}
    </ul>
  );
}

/** What stands on the shelf for this slot, the best one first. */
function useMatches(run: LiveRun, view: RunView, slot: RunView['procedure']['slots'][number], traits: Traits) {
  const channels = measuredChannels(run.state);
  const bump = view.procedure.scope === 'bumpOnly';
  const info = (id: string) => {
    const found = slotOf(view.match, id);
    return view.line?.hello?.channels.find((one) => one.slot === found);
  };
  const matches = matchBottles({
    channels,
    bottles: view.shelf.filter((one) => one.kind === 'gas'),
    litres: litresOfRun(view.procedure, Number(traits.drawsLPerMin ?? '0.5')),
    today: view.today,
    purpose: bump ? 'bump' : 'span',
    alarms: Object.fromEntries(
      channels.flatMap((one) => {
        // What the instrument itself says on its line; else what was agreed for it.
        const low = info(one.id)?.alarmLow ?? one.alarms?.low;
        const high = info(one.id)?.alarmHigh ?? one.alarms?.high;
        return low ? [[one.id, { low, ...(high ? { high } : {}) }]] : [];
      }),
    ),
    stored: channels.flatMap((one) => {
      const found = slotOf(view.match, one.id);
      const value = view.line?.hello?.facts?.spanValues.find((each) => each.slot === found)?.value;
      return value ? [{ channel: one.id, value, fixed: traits.spanFixed ?? false }] : [];
    }),
  });
  return view.shelf
    .filter((reference) => reference.kind === slot.kind)
    .filter(
      (reference) =>
        slot.kind !== 'tool' ||
        !slot.needs ||
        slot.needs === 'channelGases' ||
        slot.needs.some((need) => reference.components.some((one) => one.substance === need)),
    )
    .map((reference) => {
      const match = matches.find((one) => one.bottle.id === reference.id) ?? null;
      const refused = checkReference({ reference, slot, channels, today: view.today })?.sentence ?? null;
      const blocking =
        match && !refused && bump ? (match.reasons.find((one) => one.weight === 'refuses')?.sentence ?? null) : null;
      return { reference, match, problem: refused ?? blocking };
    })
    .sort((a, b) => {
      const at = (one: typeof a) => matches.findIndex((match) => match.bottle.id === one.reference.id);
      return Number(Boolean(a.problem)) - Number(Boolean(b.problem)) || at(a) - at(b);
    });
}
