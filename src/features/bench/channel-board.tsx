'use client';
import { probeKind } from '@/core/probe/probe-kind';
import { plan } from '@/core/run/plan';
import { missingReadings } from '@/core/run/read-pairs';
import { isStruck, standingReading, type RecordedReading } from '@/core/record/state';
import type { RunChannel } from '@/core/record/event';
import { ToleranceRuler, type RulerMark } from '@/ui/tolerance-ruler';
import { VerdictMark } from '@/ui/verdict-mark';
import { signed } from '@/ui/format';
import { ChannelInput } from './channel-input';
import { LiveReading } from './live/live-reading';
import { mainPoint } from './main-point';
import type { RunView } from './server/run-view';
import { lookOf, type Sheet } from './sheet';
import { spanValuesOf } from './steps/span-values';
import { pointsOfSheet, sheetsOf } from './sheets/sheets-of';
import { TraceKeptView } from './lazy';
import type { LiveRun } from './use-run';

/** The channels as rulers. In a reading step each asks for what the display shows; at other times it shows what stands. */
export function ChannelBoard({ sheet }: { sheet: Sheet }) {
  const { run, view, present } = sheet;
  const { state } = run;
  const aims = spanValuesOf(view.procedure, state);
  const reading = present?.step.kind === 'read' ? present.step : null;
  const missing = reading ? missingReadings(reading, present!.key, present!.channel, view.procedure, state) : [];
  const asked = reading
    ? reading.points.flatMap((point) =>
        state.channels
          .filter((channel) => view.procedure.points.find((one) => one.id === point)?.channels.includes(channel.role))
          .map((channel) => ({ point, channel })),
      )
    : [];
  const lines = reading ? asked : standingLines(sheet);
  const first = missing[0];
  return (
    <section className="sheet mt-3" aria-label="Channels">
      {lines.map(({ point, channel }) => {
        const isMissing = missing.some((pair) => pair.point === point && pair.channel === channel.id);
        if (isMissing)
          return (
            <ChannelInput
              key={`${present!.key}/${point}/${channel.id}`}
              sheet={sheet}
              step={present!}
              point={point}
              channel={channel}
              focus={first?.point === point && first.channel === channel.id}
            />
          );
        // The live figure stands once a channel, beside its first line.
        const look = lines.find((one) => one.channel.id === channel.id)?.point === point ? lookOf(sheet, channel.id) : undefined;
        return (
          <StandingLine key={`${point}/${channel.id}`} run={run} view={view} point={point} channel={channel}>
            {sheet.onLine && look && !reading && (
              <LiveReading
                look={look}
                unit={channel.unit}
                target={aims[channel.id] ? Number(aims[channel.id]) : null}
                name={channel.role}
              />
            )}
          </StandingLine>
        );
      })}
      {Object.values(state.steps).some((one) => one.trace) && (
        <TraceKeptView run={state.run} steps={state.steps} channels={state.channels} />
      )}
    </section>
  );
}

/** What stands, while nothing is asked: each channel at the point that says most; a probe in water at every point it was read at. On a sheet of its own only the channels of that sheet. */
function standingLines({ run, view, present }: Sheet): { point: string; channel: RunChannel }[] {
  const { state } = run;
  const here = sheetsOf(view.procedure, plan(view.procedure, state)).find((one) => present && one.keys.includes(present.key));
  const points = here ? pointsOfSheet(view.procedure.steps, here.id) : null;
  const covered = (channel: RunChannel) =>
    !points ||
    channel.measurand === 'temperature' ||
    view.procedure.points.some((one) => points.has(one.id) && one.channels.includes(channel.role));
  return state.channels.filter(covered).flatMap((channel) => {
    const read = probeKind(channel.measurand)
      ? view.procedure.points.filter((one) =>
          state.readings.some(
            (reading) =>
              reading.channel === channel.id &&
              reading.point === one.id &&
              (reading.phase === 'asFound' || reading.phase === 'asLeft'),
          ),
        )
      : [];
    return read.length
      ? read.map((one) => ({ point: one.id, channel }))
      : [{ point: mainPoint(view.procedure, channel), channel }];
  });
}

function StandingLine({
  run,
  view,
  point,
  channel,
  children,
}: {
  run: LiveRun;
  view: RunView;
  point: string;
  channel: RunChannel;
  children?: React.ReactNode;
}) {
  const { state } = run;
  const found = standingReading(state, { point, channel: channel.id, phase: 'asFound' });
  const left = standingReading(state, { point, channel: channel.id, phase: 'asLeft' });
  const shown = left ?? found;
  const pointLabel = view.procedure.points.find((one) => one.id === point)?.label ?? point;
  const retired = state.retired[channel.id];
  return (
    <div className="channel-row" data-testid={`channel-${channel.role}-${point}`}>
      <div>
        <div className="label">{channel.label}</div>
        <div className="target">
          {pointLabel}
          {shown?.target ? ` ${shown.target.value} ${channel.unit}` : ''}
        </div>
      </div>
      <div className="ruler-cell">
        {shown ? (
          <ReadingRuler
            found={found}
            left={left}
            channel={channel}
            earlier={view.earlier[`${channel.id}/${point}`] ?? []}
            guarded={state.started?.rule === 'guarded'}
          />
        ) : (
          <span className="quiet small">
            {channel.status === 'removed'
              ? 'sensor not fitted'
              : channel.status === 'notCalibrated'
                ? 'not to be calibrated'
                : 'not read yet'}
          </span>
        )}
      </div>
      <div className="text-end">
        {retired ? (
          <VerdictMark state="outside" word={retired.consequence === 'service' ? 'to service' : 'out of service'} />
        ) : (
          shown && (
            <>
              <div className="reading-fixed">
                {shown.reading.text} <span className="fs-6 quiet">{channel.unit}</span>
              </div>
              {shown.counts ? (
                <VerdictMark
                  state={
                    state.readings.some((entry) => entry === shown && entry.flags.length > 0)
                      ? 'notMeasured'
                      : shown.judgement.state
                  }
                  word={`${left ? 'as left' : 'as found'} ${signed(shown.judgement.error)}`}
                />
              ) : (
                <span className="quiet small">{shown.remark}</span>
              )}
            </>
          )
        )}
      </div>
      {children && <div className="under">{children}</div>}
    </div>
  );
}

function ReadingRuler({
  found,
  left,
  channel,
  earlier,
  guarded,
}: {
  found: RecordedReading | null;
  left: RecordedReading | null;
  channel: RunChannel;
  earlier: { error: string }[];
  guarded: boolean;
}) {
  const shown = left ?? found;
  if (!shown?.judgement.upper || Number(shown.judgement.upper) === 0) return null;
  const marks = [found && found.counts ? mark(found, 'as found', true) : null, left ? mark(left, 'as left', false) : null].filter(
    (one): one is RulerMark => one !== null,
  );
  return (
    <ToleranceRuler
      name={channel.label}
      unit={channel.unit}
      tolerance={Number(shown.judgement.upper)}
      expanded={shown.judgement.expanded ? Number(shown.judgement.expanded) : null}
      guarded={guarded}
      marks={marks}
      earlier={earlier.map((entry) => Number(entry.error))}
    />
  );
}

function mark(reading: RecordedReading, label: string, hollow: boolean): RulerMark | null {
  return reading.judgement.error === null || isStruck(reading)
    ? null
    : { error: Number(reading.judgement.error), state: reading.judgement.state, hollow, label };
}
