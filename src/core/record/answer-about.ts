import { flatSteps } from '../procedure/flat-steps';
import type { ItemTopic, Procedure } from '../procedure/procedure';
import type { RunState } from './state';
import { stepPath } from './step-key';

type Answer = RunState['answers'][string];

/**
 * What was answered to the questions about a topic, wherever the procedure asks them, in the order of recording; empty where nothing was.
 *
 * @example
 * answersAbout(procedure, state, 'cameDry').some((one) => one.value === 'yes') // true
 */
export function answersAbout(procedure: Procedure, state: RunState, topic: ItemTopic): Answer[] {
  const asked = new Set(
    flatSteps(procedure.steps).flatMap(({ step, groups }) =>
      step.kind === 'check'
        ? step.items.flatMap((item) =>
            item.about === topic ? [[...groups.map((group) => group.id), step.id, item.id].join('/')] : [],
          )
        : [],
    ),
  );
  return Object.entries(state.answers)
    .flatMap(([key, answer]) => (asked.has(stepPath(key)) ? [answer] : []))
    .sort((a, b) => a.seq - b.seq);
}

/** The last of them; undefined where nothing was answered. */
export const answerAbout = (procedure: Procedure, state: RunState, topic: ItemTopic): Answer | undefined =>
  answersAbout(procedure, state, topic).at(-1);
