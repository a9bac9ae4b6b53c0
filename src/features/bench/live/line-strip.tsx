'use client';
import { Link } from '@/ui/link';
import { SerialButton } from '@/features/lines';
import type { LineView } from '@/features/lines/server';
import type { LiveLine } from './use-live';

/** Where the readings come from: connected, away or silent, what was dropped, and whether this screen captures. Typing stays possible all the time. */
export function LineStrip({
  line,
  live,
  hand,
}: {
  line: LineView | null;
  live: LiveLine;
  hand: { mine: boolean; who: string; take: () => void };
}) {
  if (!line)
    return (
      <p className="line-strip quiet" data-testid="line-strip">
        No cable to this instrument: type what it shows. <Link href="/devices">Lines</Link> <SerialButton quiet />
      </p>
    );
  const state =
    live.stream === 'broken'
      ? { word: 'The stream is interrupted; it comes back by itself. Typing goes on.', bad: true }
      : line.state === 'away'
        ? { word: `The instrument is away (${line.reason || 'no connection'}). Typing goes on.`, bad: true }
        : live.silent
          ? { word: 'The line is silent. Typing goes on.', bad: true }
          : { word: `Live from ${line.maker} ${line.serial}`, bad: false };
  const { frame } = live;
  return (
    <p
      className={`line-strip${state.bad ? ' bad' : ''}`}
      data-testid="line-strip"
      data-readings={live.readings}
      role={state.bad ? 'alert' : undefined}
    >
      <span className={state.bad ? 'lamp off' : 'lamp'} aria-hidden /> {state.word}
      {!state.bad && frame && (
        <>
          {frame.mode === 'warmUp' && <span> · warming up</span>}
          {frame.mode === 'unsaved' && <strong> · calibration not saved yet</strong>}
          {frame.pump === 'blocked' && <strong> · PUMP BLOCKED</strong>}
          {frame.pump === 'on' && <span> · pump on</span>}
          {frame.pump === 'off' && <span> · pump off</span>}
          {frame.alarm.on ? (
            <strong> · ALARM</strong>
          ) : frame.alarm.latched ? (
            <span> · alarm latched: acknowledge it</span>
          ) : null}
        </>
      )}
      {line.via === 'browser' && <SerialButton quiet />}
      {line.dropped > 0 && (
        <span className="quiet" title={line.droppedWhy}>
          {' '}
          · {line.dropped} lines dropped
        </span>
      )}
      {!hand.mine && (
        <span className="watching">
          {' '}
          · watching: {hand.who} captures on another screen{' '}
          <button type="button" className="btn btn-plain btn-sm" onClick={hand.take}>
            Take over
          </button>
        </span>
      )}
    </p>
  );
}
