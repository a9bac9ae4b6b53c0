'use client';
import { useMemo, useState } from 'react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import { currentSteps, plan } from '@/core/run/plan';
import { openStimulus } from '@/core/record/state';
import { probeKind } from '@/core/probe/probe-kind';
import { MeterPanel, StandInPanel } from '@/features/lines';
import { StatusMark } from '@/ui/status-mark';
import { KeyStrip } from '@/ui/key-strip';
import { AfterPaint } from '@/ui/after-paint';
import { useGentleRefresh } from '@/ui/use-gentle-refresh';
import { useAwake } from '@/ui/use-awake';
import { useKept } from '@/ui/use-kept';
import { useKeys } from '@/ui/use-keys';
import { useMainAction } from './use-main-action';
import { BenchFacts } from './bench-facts';
import { ChannelBoard } from './channel-board';
import { GasBar } from './gas-bar';
import { LineStrip } from './live/line-strip';
import { rulesFor, slotOf } from './live/live-rules';
import { nextAction } from './places/next-action';
import { PlaceStrip } from './places/place-strip';
import { Cautions } from './steps/cautions';
import { PresentStep } from './steps/present-step';
import { say } from '@/core/words/say';
import { WatchBar } from '@/features/competence';
import { PhotoStrip } from '@/features/paper';
import { day } from '@/ui/format';
import { Besides, RunDoors, RunLog } from './lazy';
import { WaitingMark } from './waiting-mark';
import { spanValuesOf } from './steps/span-values';
import type { RunView } from './server/run-view';
import type { Sheet } from './sheet';
import { useCapture } from './live/use-capture';
import { useFlow } from './live/use-flow';
import { useHand } from './live/use-hand';
import { useLineChanges } from './live/use-line-changes';
import { useThermometer } from './live/use-thermometer';
import { useLive, type Listen } from './live/use-live';
import { usePlaceKeys } from './use-place-keys';
import { useRun, type LiveRun } from './use-run';
import { useEnter } from './use-enter';
import { useOthers } from './places/use-others';
import { bottleInHand } from './steps/bottle-in-hand';
import { openLiquid } from './steps/open-liquid';
import { SheetChips } from './sheets/sheet-chips';
import { sheetsOf, stepInHand } from './sheets/sheets-of';
import '@/core/words/en/from-paper';

/** What comes next at other places may be so old. */
const OTHERS_EVERY_MS = 5000;

/** The run sheet of a run that is kept: what is pressed goes to the house, what devices say comes from it. */
export function RunSheet({ view, zone, beside }: { view: RunView; zone: string; beside?: React.ReactNode }) {
  const run = useRun(view.state, view.me);
  const hand = useHand(run.state.run, view.line !== null && run.state.status === 'open');
  useLineChanges(view.line && run.state.status === 'open' ? view.line.id : null);
  return <SheetOf view={view} zone={zone} run={run} hand={hand} beside={beside} />;
}

interface Held {
  view: RunView;
  zone: string;
  run: LiveRun;
  hand: Sheet['hand'];
  /** Where a line's readings come from: the house, if nobody says otherwise. */
  listen?: Listen;
  /** What stands under the step besides: what only practice has, or what may be made of a run that is over. */
  beside?: React.ReactNode;
}

/** One screen: the steps as a strip that fills, the present one large, the channels on their rulers, the bench's facts beside. */
export function SheetOf({ view, zone, run, hand, listen, beside }: Held) {
  const router = useRouter();
  const [practice] = useState(view.state.started?.practice);
  const { state } = run;
  const steps = useMemo(() => plan(view.procedure, state), [view.procedure, state]);
  const sheets = useMemo(() => sheetsOf(view.procedure, steps), [view.procedure, steps]);
  const [chosen, setChosen] = useKept<string | null>(`${view.state.run}/sheet`, null);
  const present = stepInHand(currentSteps(view.procedure, state), sheets, chosen);
  useEnter(run, present);
  useAwake(state.status === 'open');
  const open = openStimulus(state);
  const gas = open && view.procedure.slots.find((slot) => slot.id === open.slot)?.kind === 'gas' ? open : null;
  const line = view.line && state.status === 'open' ? view.line : null;
  const rules = useMemo(
    () => rulesFor(view.procedure, state, present, view.match, view.responses),
    [view.procedure, state, present, view.match, view.responses],
  );
  const live = useLive(line?.id ?? null, rules, (gas ?? openLiquid(view.procedure, state))?.onAt ?? null, listen);
  const look = useGentleRefresh(OTHERS_EVERY_MS);
  const others = useOthers(view.places, look);
  const onLine = line !== null && line.state === 'connected' && live.frame !== null;
  const thermometer = useThermometer(view, state);
  const { capture, said, ready, asked } = useCapture(run, view, live, present, thermometer);
  const flow = useFlow(view, gas !== null);
  const sheet: Sheet = { run, view, live, hand, present, onLine, capture, flow, thermometer };
  const closeGas = () => {
    if (open) void run.send({ type: 'changeStimulus', step: present?.key ?? 'gas', slot: open.slot, on: false });
  };
  const elsewhere = others.filter((one) => one.runId && one.runId !== state.run);
  const placeKeys = usePlaceKeys(
    elsewhere.map((one) => one.place!),
    (place) => router.push(`/runs/${elsewhere.find((one) => one.place === place)!.runId}`),
  );
  const mainAction = useMainAction(present?.key ?? null, run.busy);
  useKeys({
    g: closeGas,
    b: () => router.push(backTo(view)),
    c: () => {
      if (hand.mine) capture();
    },
    n: mainAction,
    ...placeKeys,
  });
  const wet = state.channels.some((one) => probeKind(one.measurand) !== null);
  const inHand = bottleInHand(view.procedure, state, present);
  const valuesBySlot = Object.fromEntries(
    Object.entries(spanValuesOf(view.procedure, state, present && 'points' in present.step ? present.step.points : [])).flatMap(
      ([channel, value]) => {
        const slot = slotOf(view.match, channel);
        return slot === null ? [] : [[slot, value]];
      },
    ),
  );
  const places = others.map((one) => (one.runId === state.run ? { ...one, next: nextAction(view.procedure, state) } : one));
  const bottle = state.bindings.filter((one) => !one.released && !one.struck && one.reference.kind === 'gas').at(-1);
  // While a display is read its rulers stand next to the step; what is said about it follows.
  const reading = wet && present?.step.kind === 'read';
  const flows = gas !== null && present?.step.kind === 'read';
  const besides = somethingMeasured(sheet) && <Besides sheet={sheet} />;
  return (
    <main className="page" data-bench>
      {run.away && (
        <div className="away mb-2" role="alert">
          {run.away}
        </div>
      )}
      <WaitingMark waiting={run.waiting} />
      {view.watch && <WatchBar watch={view.watch} run={state.run} me={view.me.id} zone={zone} />}
      <div className="page-head">
        <h1>
          {view.asset.maker} {view.asset.model}
        </h1>
        <span className="mono">{view.asset.serial}</span>
        {view.asset.tag && <span className="mono quiet">{view.asset.tag}</span>}
        <span className="quiet">{view.customer}</span>
        <StatusMark status={view.asset.status} why={view.asset.why} />
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
      <SheetChips sheets={sheets} present={present} choose={setChosen} />
      {gas && (
        <GasBar
          span={gas}
          binding={state.bindings.find((binding) => binding.seq === gas.binding) ?? null}
          onClose={closeGas}
          busy={run.busy}
          currency={view.currency}
          flow={flow}
          advice={
            present?.step.kind === 'read' && present.step.phase === 'asFound' && asked > 0 && ready === asked
              ? 'Every channel has settled: capture, then close.'
              : null
          }
        />
      )}
      <div className="run-grid">
        <div className={flows ? 'gas-flows' : ''}>
          {state.status === 'open' && (
            <Cautions
              run={state.run}
              cautions={view.procedure.cautions}
              begun={state.readings.length > 0 || state.stimuli.length > 0}
            />
          )}
          {state.paper && (
            <div className="sheet mb-3 py-2 d-flex flex-wrap gap-3 align-items-center" data-testid="from-paper">
              <span>{say({ code: 'paper.from', numbers: { day: day(state.paper.day), by: state.paper.by } })}</span>
              <PhotoStrip run={state.run} photos={state.paper.photos} />
            </div>
          )}
          <PresentStep
            key={present?.key ?? state.status}
            sheet={sheet}
            gasOpen={gas !== null}
            said={said}
            ready={ready}
            asked={asked}
          />
          {beside}
          {!reading && besides}
          <div className="d-flex flex-column">
            {state.status === 'open' && (
              <div className={flows ? 'order-last' : ''}>
                <LineStrip line={line} live={live} hand={hand} />
              </div>
            )}
            <ChannelBoard sheet={sheet} />
          </div>
          {reading && besides}
          <AfterPaint>
            {state.status === 'open' && !view.practice && <RunDoors run={run} />}
            {line?.panel && wet && (
              <MeterPanel
                line={line}
                liquids={view.shelf.filter((one) => one.kind === 'buffer' || one.kind === 'standard')}
                inHand={inHand}
                values={valuesBySlot}
              />
            )}
            {line?.panel && !wet && <StandInPanel line={line} bottle={bottle?.reference ?? null} spanValues={valuesBySlot} />}
          </AfterPaint>
        </div>
        <aside>
          <PlaceStrip places={places} here={state.run} />
          <BenchFacts sheet={sheet} />
          <AfterPaint>
            <RunLog run={run} view={view} zone={zone} />
          </AfterPaint>
        </aside>
      </div>
      <KeyStrip
        assign
        keys={[
          ...(onLine ? [['C', 'capture what has settled'] as [string, string]] : []),
          ['Enter', 'take what was typed'],
          ['N', 'do the step'],
          ...(open ? [['G', gas ? 'gas off' : 'lift out'] as [string, string]] : []),
          ...(view.places.filter((one) => one.runId).length > 1 ? [['1, 2 …', 'the other places'] as [string, string]] : []),
          ['B', view.practice === 'try' ? 'back to the model' : view.practice ? 'practice' : 'bench'],
          ['/', 'scan'],
        ]}
      />
    </main>
  );
}

const backTo = ({ practice, asset }: RunView): string =>
  practice === 'exercise' ? '/practice' : practice ? `/models/${asset.modelId}` : '/';

/** Before that there is nothing to be said about it. */
function somethingMeasured({ run: { state }, live }: Sheet): boolean {
  return state.readings.length + state.adjustments.length + state.bumps.length + state.saves.length + live.notices.length > 0;
}
