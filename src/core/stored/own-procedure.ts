import * as yup from 'yup';
import { OUTPUTS } from '../instrument/output';
import { BUFFER_IDS } from '../ph/buffer-value';
import { FOLLOWS } from '../procedure/follow';
import { PHASES } from '../procedure/phase';
import { ADJUST_ACTIONS, CARE_MATERIALS, ITEM_TOPICS, type Procedure } from '../procedure/procedure';
import { QUESTIONS } from '../procedure/question';
import { ROOM_QUANTITIES } from '../procedure/room-quantity';
import { MEASURAND_IDS } from '../quantity/unit';
import { decimal, either, maybe, oneOf, shape, storedReader } from '../stored-reader';
import { CONDITION } from './condition-shape';

const text = (most = 600) => yup.string().max(most);
const id = () => yup.string().matches(/^[A-Za-z0-9-]{1,60}$/, '${path} must be letters, digits and dashes');
const list = (of: yup.AnySchema) => yup.array().of(of).required();
const listMaybe = (of: yup.AnySchema) => yup.array().of(of).optional().default(undefined);
const some = (values: readonly string[]) => oneOf(values).required();
const whole = (lowest: number, highest: number) => yup.number().integer().min(lowest).max(highest);

const TARGET = either(
  'a target of a known kind',
  shape({ kind: some(['fixed']), value: decimal().required(), unit: text(20).required() }),
  shape({
    kind: some(['material']),
    slot: id().required(),
    others: listMaybe(id().required()),
    component: text(60).required(),
    via: some(['certified', 'atTemperature', 'atPressure', 'lelScale', 'compensated', 'dissolvedSolids']),
  }),
  shape({ kind: some(['recognised']), set: list(some(BUFFER_IDS)), setBy: id(), slot: id() }),
  shape({ kind: some(['computed']), function: some(['cleanAirOxygen', 'airSaturatedOxygen']) }),
  shape({ kind: some(['strip']) }),
  shape({ kind: some(['comparison']), slot: id().required() }),
  shape({ kind: some(['observe']), direction: some(['rise', 'fall']) }),
).required();
const BAD = either(
  'a bad answer and what follows',
  oneOf(['none']),
  shape({
    when: either(
      'when it is bad',
      oneOf(['negative', 'positive']),
      shape({ beyond: decimal().required() }),
      shape({ differsFrom: some(['spanTarget', 'agreed']) }),
    ).required(),
    follows: list(some(FOLLOWS)),
    resets: listMaybe(id().required()),
  }),
);
const ITEM = shape({
  id: id().required(),
  label: text().required(),
  answer: some(['passFault', 'yesNo', 'number', 'text', 'sensorSerial']),
  unit: text(20),
  sameAs: text(130),
  reads: maybe(shape({ figure: some(['slope', 'offset', 'cellConstant', 'response']), role: id().required() })),
  about: oneOf(ITEM_TOPICS),
  bad: BAD,
  output: oneOf(OUTPUTS),
  needsPoints: whole(1, 9),
});
const OPTION = shape({
  id: id().required(),
  label: text().required(),
  consequence: oneOf([...FOLLOWS.filter((one) => one !== 'mend' && one !== 'remark'), 'discard']),
  resets: listMaybe(id().required()),
  needsNote: yup.boolean().oneOf([true]),
  again: listMaybe(id().required()),
});

/** What a step of each kind has besides what every step has. */
const OF_KIND: Record<string, yup.ObjectShape> = {
  check: { items: list(ITEM) },
  condition: { quantities: list(some(ROOM_QUANTITIES)) },
  reference: { slots: list(id().required()) },
  wait: {
    minSeconds: whole(0, 86_400).required(),
    maxSeconds: whole(0, 86_400),
    from: oneOf(['placed', 'entered']),
    clears: yup.boolean().oneOf([true]),
  },
  stimulus: { slot: id().required(), means: text(120).required(), on: yup.boolean().required(), maxSeconds: whole(1, 86_400) },
  read: {
    points: list(id().required()),
    phase: some(PHASES),
    counts: yup.boolean().oneOf([false]),
    remark: text(),
    stability: maybe(shape({ windowSeconds: whole(1, 3600).required(), maxSpread: decimal().required() })),
    computed: oneOf(['electrode', 'cell']),
    exposureSeconds: whole(0, 86_400),
    sample: maybe(shape({ pressAt: whole(0, 600).required(), of: whole(1, 600).required() })),
  },
  adjust: { points: list(id().required()), action: some(ADJUST_ACTIONS), together: yup.boolean().required() },
  save: { evidence: some(['confirm', 'automatic', 'readBackDate', 'readBackValue']), deadlineSeconds: whole(1, 86_400) },
  bump: {
    channels: list(id().required()),
    method: some(['timed', 'watched', 'station']),
    outputs: list(some(OUTPUTS)),
    follows: listMaybe(some(FOLLOWS)),
  },
  care: { action: text(200).required(), resets: list(id().required()), uses: listMaybe(some(CARE_MATERIALS)) },
  decide: { question: some(QUESTIONS), options: list(OPTION) },
  group: {
    steps: yup.lazy(() => STEPS),
    order: some(['fixed', 'any']),
    forEach: oneOf(['channel']),
    sheet: text(60),
    repeat: maybe(shape({ atMost: whole(1, 50).required(), until: CONDITION })),
    restartOn: CONDITION,
  },
};
const STEP = Object.fromEntries(
  Object.entries(OF_KIND).map(([kind, own]) => [
    kind,
    shape({
      id: id().required(),
      kind: some([kind]),
      title: text(160).required(),
      reason: text(),
      caution: text(),
      when: CONDITION,
      says: listMaybe(shape({ school: id().required(), option: id().required(), text: text().required() })),
      ...own,
    }),
  ]),
);
const STEPS: yup.AnySchema = yup
  .array()
  .of(
    yup.lazy(
      (step: { kind?: string } | undefined) => STEP[step?.kind ?? ''] ?? shape({ kind: some(Object.keys(OF_KIND)) }),
    ) as never,
  )
  .required();

const SHAPE = shape({
  id: id().required(),
  version: whole(1, 9999).required(),
  family: whole(0, 999).required(),
  title: text(160).required(),
  method: text(1000).required(),
  scope: some(['calibration', 'zeroOnly', 'accuracyCheck', 'bumpOnly']),
  warmUpSeconds: whole(0, 86_400).required(),
  channels: list(
    shape({
      role: id().required(),
      label: text(60).required(),
      measurands: list(some(MEASURAND_IDS)),
      optional: yup.boolean(),
    }),
  ),
  slots: list(
    shape({
      id: id().required(),
      label: text(160).required(),
      kind: some(['gas', 'cleanAir', 'buffer', 'standard', 'tool', 'solution']),
      needs: either('gases or quantities', oneOf(['channelGases']), yup.array().of(text(60).required())),
      roles: listMaybe(text(40).required()),
      flows: listMaybe(decimal().required()),
    }),
  ),
  points: list(
    shape({
      id: id().required(),
      label: text(160).required(),
      channels: list(id().required()),
      target: TARGET,
      tolerance: either('a tolerance', oneOf(['zero']), shape({ caution: decimal(), limit: decimal().required() })),
      judge: oneOf(['gate']),
      gate: maybe(
        shape({
          lowest: decimal().required(),
          highest: decimal().required(),
          reason: text().required(),
          ofTarget: yup.boolean().oneOf([true]),
        }),
      ),
    }),
  ),
  steps: STEPS,
  cautions: list(text(1000).required()),
  schools: listMaybe(
    shape({
      id: id().required(),
      label: text(300).required(),
      standard: id().required(),
      options: list(
        shape({
          id: id().required(),
          label: text(300).required(),
          reason: text(),
          over: maybe(shape({ ph: decimal(), conductivity: decimal() })),
          without: listMaybe(id().required()),
        }),
      ),
    }),
  ),
});

/**
 * A procedure that a workshop made or took in from a file, checked to its last part: nothing that the program does not know.
 * Errors: RangeError naming the part.
 *
 * @example
 * readOwnProcedure(family4).id // 'four-gas-leak-monitor'
 */
export const readOwnProcedure = storedReader<Procedure>('procedure', SHAPE);
