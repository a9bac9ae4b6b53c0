'use client';
import { useMemo } from 'react';
import type { Point, Procedure } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/run/event';
import { judgeTyped } from '@/core/run/handle-reading';
import { resolveTarget } from '@/core/run/resolve-target';
import type { RunState } from '@/core/run/state';

/** Target and verdict of what is typed or shown now. Worked out only when something of it changes: a line shows four readings a second. */
export function useJudged({
  procedure,
  state,
  point,
  channel,
  seen,
  told,
}: {
  procedure: Procedure;
  state: RunState;
  point: Point;
  channel: RunChannel;
  seen: string;
  /** The inputs beside the reading, as JSON. */
  told: string;
}) {
  const target = useMemo(
    () => resolveTarget({ point, channel, state, inputs: JSON.parse(told) as Record<string, string>, procedure }),
    [point, channel, state, told, procedure],
  );
  const judged = useMemo(
    () =>
      seen
        ? judgeTyped({
            procedure,
            state,
            point,
            channel,
            text: seen,
            status: 'value',
            inputs: JSON.parse(told) as Record<string, string>,
          })
        : null,
    [seen, told, state, procedure, point, channel],
  );
  return { target, judged };
}
