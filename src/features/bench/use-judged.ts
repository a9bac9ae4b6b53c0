'use client';
import { useMemo } from 'react';
import type { Point, Procedure } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/record/event';
import { computedFound } from '@/core/run/computed-found';
import { type ComputedFrom } from '@/core/procedure/procedure';
import { judgeTyped } from '@/core/run/judge-typed';
import { resolveTarget } from '@/core/run/resolve-target';
import type { RunState } from '@/core/record/state';

/** Target and verdict of what is typed or shown now. Worked out only when something of it changes: a line shows four readings a second. */
export function useJudged({
  procedure,
  state,
  point,
  channel,
  seen,
  told,
  computed,
}: {
  procedure: Procedure;
  state: RunState;
  point: Point;
  channel: RunChannel;
  seen: string;
  /** The inputs beside the reading, as JSON. */
  told: string;
  /** As found is worked out from what the meter kept before. */
  computed?: ComputedFrom | undefined;
}) {
  const target = useMemo(
    () => resolveTarget({ point, channel, state, inputs: JSON.parse(told) as Record<string, string>, procedure }),
    [point, channel, state, told, procedure],
  );
  const judged = useMemo(() => {
    if (!seen) return null;
    const inputs = JSON.parse(told) as Record<string, string>;
    const found = computed ? computedFound(computed, { state, channel, text: seen, inputs }) : { text: seen, inputs };
    return 'refused' in found ? found : judgeTyped({ procedure, state, point, channel, status: 'value', ...found });
  }, [seen, told, state, procedure, point, channel, computed]);
  return { target, judged };
}
