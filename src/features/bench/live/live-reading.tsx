'use client';
import type { LiveLook } from '@/core/live/live-channel';
import { say } from '@/core/words/say';

const WIDTH = 168;
const HEIGHT = 40;

/** The response as a small line, with the target as a dashed one; the present value stands beside it as the display shows it. */
export function LiveReading({ look, unit, target, name }: { look: LiveLook; unit: string; target: number | null; name: string }) {
  return (
    <div className="live-reading" data-testid={`live-${name}`}>
      <span className="live-figure">
        {look.status === 'value' ? look.text : { over: 'OVER', under: 'UNDER', fault: 'FAULT' }[look.status]}
        <span className="live-unit"> {unit}</span>
      </span>
      <Trace look={look} target={target} name={name} />
      <span className="live-state">{stateOf(look, unit)}</span>
    </div>
  );
}

/** Where the model is known: how much may still come. */
function knownState({ settled, notInTime, bound }: NonNullable<LiveLook['known']>, unit: string): string {
  const code = settled ? 'live.knownSettled' : notInTime ? 'live.knownNotInTime' : 'live.knownLeft';
  return say({ code, numbers: { bound: bound.toPrecision(2), unit } });
}

function stateOf(look: LiveLook, unit: string): string {
  const times = look.t90Seconds === null ? '' : ` · T90 ${Math.round(look.t90Seconds)} s`;
  if (look.status !== 'value') return 'no number';
  if (look.known) return knownState(look.known, unit);
  if (look.stable) return `steady at ${look.stable.text}, spread ${look.stable.spread}${times}`;
  if (look.close?.close) return 'near enough to close';
  if (look.estimate && look.estimate.value !== null)
    return `settling towards ${round(look.estimate.low)} to ${round(look.estimate.high)}`;
  return look.secondsOfGas === null ? 'moving' : `moving for ${Math.round(look.secondsOfGas)} s`;
}

const round = (value: number) => (Math.abs(value) >= 100 ? value.toFixed(0) : value.toPrecision(3));

function Trace({ look, target, name }: { look: LiveLook; target: number | null; name: string }) {
  const points = look.trace;
  if (points.length < 2) return <svg className="live-trace" width={WIDTH} height={HEIGHT} aria-hidden />;
  const values = points.map((one) => one.value);
  const low = Math.min(...values, target ?? Infinity);
  const high = Math.max(...values, target ?? -Infinity);
  const span = high - low || 1;
  const first = points[0]!.seconds;
  const length = points.at(-1)!.seconds - first || 1;
  const x = (seconds: number) => 2 + ((seconds - first) / length) * (WIDTH - 4);
  const y = (value: number) => HEIGHT - 4 - ((value - low) / span) * (HEIGHT - 8);
  const path = points.map((one, index) => `${index ? 'L' : 'M'}${x(one.seconds).toFixed(1)} ${y(one.value).toFixed(1)}`).join('');
  return (
    <svg
      className="live-trace"
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`Response of ${name}`}
    >
      {target !== null && <line className="aim" x1="0" x2={WIDTH} y1={y(target)} y2={y(target)} />}
      <path d={path} />
    </svg>
  );
}
