import * as yup from 'yup';
import type { CheckItem, ItemTopic, Procedure, Step } from '../procedure/procedure';
import { storedReader } from '../stored-reader';

/** What a question of a procedure frozen before today's form was about, by the names it had then. */
const TOPIC_OF: Record<string, ItemTopic> = {
  peaks: 'peaks',
  alarms: 'lastAlarm',
  clock: 'clock',
  deviation: 'clock',
  corrected: 'clockSet',
  days: 'ownCounter',
  span: 'storedSpan',
  low: 'alarmLow',
  high: 'alarmHigh',
  'place-of-work': 'placeOfWork',
  dry: 'cameDry',
  clean: 'backInAir',
  another: 'another',
};

const list = () => yup.array().required();
const SHAPE = yup
  .object({
    id: yup.string().required(),
    version: yup.number().integer().min(1).required(),
    title: yup.string().required(),
    scope: yup.string().oneOf(['calibration', 'zeroOnly', 'accuracyCheck', 'bumpOnly']).required(),
    channels: list(),
    slots: list(),
    points: list(),
    steps: list().min(1),
    cautions: list(),
  })
  .required();
const read = storedReader<Procedure>('procedure', SHAPE);

/**
 * A frozen procedure as it was stored, checked; one of before says by topic what its questions are about.
 * Errors: RangeError naming what is missing.
 */
export function readProcedure(stored: unknown): Procedure {
  const procedure = read(stored);
  return { ...procedure, steps: procedure.steps.map(withTopics) };
}

function withTopics(step: Step): Step {
  if (step.kind === 'group') return { ...step, steps: step.steps.map(withTopics) };
  return step.kind === 'check' ? { ...step, items: step.items.map(withTopic) } : step;
}

const withTopic = (item: CheckItem): CheckItem => {
  const about = item.about ?? TOPIC_OF[item.id];
  return about && !item.reads && !item.output ? { ...item, about } : item;
};
