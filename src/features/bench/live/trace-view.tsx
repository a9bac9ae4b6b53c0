'use client';
import { useState } from 'react';
import type { RunChannel } from '@/core/record/event';
import type { StepRecord } from '@/core/record/state';

interface TraceDocument {
  instrument: { maker: string; model: string; serial: string };
  everyNth: number;
  frames: { seconds: number; readings: { slot: number; text: string; status: string }[] }[];
}
const [WIDTH, HEIGHT] = [560, 90];

/** The raw readings kept behind a step, shown again as curves: evidence that anybody can look at later. */
export function TraceKeptView({
  run,
  steps,
  channels,
}: {
  run: string;
  steps: Record<string, StepRecord>;
  channels: RunChannel[];
}) {
  const [open, setOpen] = useState<string | null>(null);
  const [trace, setTrace] = useState<TraceDocument | null>(null);
  const kept = Object.entries(steps).flatMap(([key, step]) => (step.trace ? [{ key, trace: step.trace }] : []));
  if (kept.length === 0) return null;
  const show = async (id: string) => {
    if (open === id) return setOpen(null);
    setOpen(id);
    setTrace(null);
    const response = await fetch(`/api/runs/${run}/traces/${id}`);
    if (response.ok) setTrace((await response.json()) as TraceDocument);
  };
  return (
    <div className="kept-traces">
      <span className="small-caps">traces kept</span>{' '}
      {kept.map(({ key, trace: one }) => (
        <button
          key={one.id}
          type="button"
          className="btn btn-link btn-sm p-0 me-3"
          aria-expanded={open === one.id}
          onClick={() => void show(one.id)}
        >
          {key.replaceAll('/', ' ')} <span className="quiet">({one.frames})</span>
        </button>
      ))}
      {open && trace && <Curves trace={trace} channels={channels} />}
    </div>
  );
}

function Curves({ trace, channels }: { trace: TraceDocument; channels: RunChannel[] }) {
  const slots = [...new Set(trace.frames.flatMap((frame) => frame.readings.map((one) => one.slot)))];
  const first = trace.frames[0]?.seconds ?? 0;
  const length = (trace.frames.at(-1)?.seconds ?? 1) - first || 1;
  return (
    <div className="mt-2">
      <p className="small quiet mb-1">
        {trace.instrument.maker} {trace.instrument.model} <span className="mono">{trace.instrument.serial}</span>,{' '}
        {trace.frames.length} frames over {Math.round(length)} s{trace.everyNth > 1 && `, every ${trace.everyNth}th kept`}
      </p>
      {slots.map((slot, index) => {
        const points = trace.frames.flatMap((frame) => {
          const reading = frame.readings.find((one) => one.slot === slot && one.status === 'value');
          return reading ? [{ x: (frame.seconds - first) / length, value: Number(reading.text), text: reading.text }] : [];
        });
        if (points.length < 2) return null;
        const [low, high] = [Math.min(...points.map((one) => one.value)), Math.max(...points.map((one) => one.value))];
        const span = high - low || 1;
        const path = points
          .map(
            (one, at) =>
              `${at ? 'L' : 'M'}${(one.x * WIDTH).toFixed(1)} ${(HEIGHT - 6 - ((one.value - low) / span) * (HEIGHT - 12)).toFixed(1)}`,
          )
          .join('');
        return (
          <figure key={slot} className="mb-1">
            <figcaption className="small">
              {channels[index]?.label ?? `slot ${slot}`}: {points[0]!.text} → {points.at(-1)!.text}
            </figcaption>
            <svg
              className="live-trace"
              viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
              width="100%"
              height={HEIGHT}
              preserveAspectRatio="none"
              role="img"
              aria-label={`Trace of slot ${slot}`}
            >
              <path d={path} vectorEffect="non-scaling-stroke" />
            </svg>
          </figure>
        );
      })}
    </div>
  );
}
