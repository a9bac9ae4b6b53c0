import type { ItemTopic, Procedure } from '../procedure/procedure';
import { plan } from './plan';
import type { RunState } from './state';

/**
 * What was answered last to the questions about a topic, wherever the procedure asks them; undefined where nothing was.
 *
 * @example
 * answerAbout(procedure, state, 'clock')?.value // '-12'
 */
export function answerAbout(procedure: Procedure, state: RunState, topic: ItemTopic): RunState['answers'][string] | undefined {
  return plan(procedure, state)
    .flatMap(({ step, key }) =>
      step.kind === 'check'
        ? step.items.flatMap((item) => (item.about === topic ? (state.answers[`${key}/${item.id}`] ?? []) : []))
        : [],
    )
    .at(-1);
}
