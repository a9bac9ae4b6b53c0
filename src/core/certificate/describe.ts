import { measurandOf } from '../measurand';
import { type Procedure } from '../procedure/procedure';
import { OUTPUTS } from '../instrument/output';
import { lateSentence } from '../results/not-plain';
import { answerText } from '../results/reason';
import { findings } from '../run/findings';
import { plan } from '../run/plan';
import type { RunChannel } from '../record/event';
import { tryWord } from '../run/try-word';
import { traitsOf, type RunState } from '../record/state';
import { say, type Language } from '../words/say';
import type { CertificateVersion2 } from './version-2';
import '@/core/words/en/certificate';
import '@/core/words/en/paper';
import '@/core/words/en/remarks';
import '@/core/words/en/not-plain';
import '@/core/words/en/changed';

/** A channel with its range, step, tolerance and the rules by which it computes. */
export function describeChannel(channel: RunChannel, language: Language): CertificateVersion2['item']['channels'][number] {
  const { absolute, percentOfTarget, zero } = channel.tolerance;
  const unit = channel.unit;
  const parts = [
    absolute && say({ code: 'tolerance.absolute', numbers: { absolute, unit } }, language),
    percentOfTarget && say({ code: 'tolerance.percent', numbers: { percent: percentOfTarget } }, language),
  ].filter((one): one is string => !!one);
  const tolerance =
    parts.length === 2
      ? say({ code: 'tolerance.greater', numbers: { one: parts[0]!, other: parts[1]! } }, language)
      : (parts[0] ?? '');
  const describe = measurandOf(channel.measurand).describe;
  return {
    label: channel.label,
    measurand: channel.measurand,
    range: say({ code: 'channel.range', numbers: { lowest: channel.lowest, highest: channel.highest, unit } }, language),
    resolution: `${channel.resolution} ${unit}`,
    tolerance: [
      tolerance,
      zero && say({ code: 'tolerance.zero', numbers: { zero, unit } }, language),
      channel.toleranceAgreed && say({ code: 'tolerance.agreed' }, language),
    ]
      .filter(Boolean)
      .join('; '),
    scale:
      channel.scale && describe
        ? describe(channel)
            .map((fact) => say(fact, language))
            .join('; ')
        : '',
    sensorSerial: channel.sensorSerial ?? '',
    status: channel.status,
  };
}

const labelOf = (state: RunState, id: string) => state.channels.find((channel) => channel.id === id)?.label ?? id;

/** What was adjusted and saved, every try. */
export function describeAdjustments(state: RunState, language: Language = 'en'): string[] {
  const lines = state.adjustments
    .filter((adjustment) => !adjustment.struck)
    .map((one) =>
      say(
        {
          code: one.iteration > 1 ? 'adjustment.again' : 'adjustment.once',
          numbers: {
            action: say({ code: `action.${one.action}` }, language),
            channels: one.channels.map((id) => labelOf(state, id)).join(', '),
            outcome: say({ code: `outcome.${one.outcome}` }, language),
            try: tryWord(one.iteration),
          },
        },
        language,
      ),
    );
  const saved = state.saves.map((save) =>
    save.readBack
      ? say({ code: `save.${save.outcome}ReadBack`, numbers: { readBack: save.readBack } }, language)
      : say({ code: `save.${save.outcome}` }, language),
  );
  return lines.length ? [...lines, ...saved] : [say({ code: 'adjustment.none' }, language)];
}

/** The bumps of a run: kind, what each channel did, the outputs, the verdict. */
export function describeBumps(state: RunState, language: Language): CertificateVersion2['bumps'] {
  const fitted = traitsOf(state).outputs ?? OUTPUTS;
  return state.bumps.map((bump) => ({
    kind: say({ code: `bump.${bump.method}` }, language),
    channels: Object.entries(bump.channels).map(([id, one]) => {
      const way = one.rightWay === null ? 'bump.directionUntold' : one.rightWay ? 'bump.moved' : 'bump.wrongWay';
      const what = say({ code: one.moved ? way : 'bump.still' }, language);
      const figures =
        one.before && one.shown ? say({ code: 'bump.figures', numbers: { before: one.before, shown: one.shown } }, language) : '';
      const time = one.t90Seconds === undefined ? '' : `, T90 ${one.t90Seconds} s`;
      return `${labelOf(state, id)} ${what}${figures}${time}`;
    }),
    outputs: OUTPUTS.flatMap((output) => {
      const works = bump.outputs[output];
      // What a station can't sense is said to be not told; a test that mutes the alarms says nothing of them.
      if (works === undefined && !(bump.method === 'station' && fitted.includes(output))) return [];
      const name = say({ code: `output.${output}` }, language);
      const what = works === undefined ? 'output.untold' : works ? 'output.works' : 'output.dead';
      return [say({ code: what, numbers: { output: name } }, language)];
    }),
    verdict: bump.outcome,
  }));
}

/** Everything that was looked at, every time, with its answer and what came of it. */
export function describeChecks(procedure: Procedure, state: RunState, language: Language): CertificateVersion2['checks'] {
  const bad = findings(procedure, state);
  return plan(procedure, state).flatMap(({ step, key, channel }) =>
    step.kind !== 'check'
      ? []
      : step.items.flatMap((item) => {
          const answer = state.answers[`${key}/${item.id}`];
          if (!answer?.value) return [];
          const text = answerText(answer.value, language);
          const followed = bad.find((one) => one.step === key && one.item?.id === item.id)?.followed;
          return [
            {
              what: channel ? `${item.label}, ${labelOf(state, channel)}` : item.label,
              answer: answer.note ? `${text}: ${answer.note}` : text,
              ...(followed
                ? { consequence: say({ code: `followed.${followed.follow}`, numbers: { note: followed.note ?? '' } }, language) }
                : {}),
            },
          ];
        }),
  );
}

/** What of the shelf a care action took, and what was noted of it. */
export const careDetail = ({ used = [], note }: RunState['cares'][number]): string =>
  [...used.map((one) => `${one.name}, ${one.lot}`), ...(note ? [note] : [])].join('; ');

/** Replaced parts, care, cross-checks, readings struck: what the reader has to know besides. */
export function describeRemarks(state: RunState, language: Language): string[] {
  return [
    ...(state.samePerson ? [say({ code: 'remark.samePerson' }, language)] : []),
    ...[lateSentence(state, language)].filter((one) => one !== null),
    ...state.notes.map((note) => note.text),
    ...state.channelsSet.map((one) =>
      say(
        { code: `notPlain.channel.${one.status}`, numbers: { channel: labelOf(state, one.channel), reason: one.reason } },
        language,
      ),
    ),
    ...state.cares.map((care) =>
      say(
        careDetail(care)
          ? { code: 'remark.careNote', numbers: { action: care.action, note: careDetail(care) } }
          : { code: 'remark.care', numbers: { action: care.action } },
        language,
      ),
    ),
    ...state.readings
      .filter((entry) => entry.phase === 'check' && entry.target && entry.flags.length === 0)
      .map((entry) =>
        say(
          {
            code: entry.judgement.state === 'within' ? 'remark.crossAgrees' : 'remark.crossDiffers',
            numbers: {
              target: language === 'en' ? entry.target!.sentence : `${entry.target!.value} ${entry.target!.unit}`,
              reading: entry.reading.text,
              unit: entry.reading.unit,
            },
          },
          language,
        ),
      ),
    ...state.parts.map((part) =>
      say({ code: 'remark.replaced', numbers: { part: part.part, old: part.oldSerial ?? '—', new: part.newSerial } }, language),
    ),
    ...state.readings
      .filter((entry) => entry.flags.length > 0)
      .map((entry) => {
        const numbers = { channel: labelOf(state, entry.channel), reason: entry.flags[0]!.reason };
        return say({ code: entry.flags[0]!.code === 'struck' ? 'remark.struck' : 'remark.setAside', numbers }, language);
      }),
  ];
}

/** The method as it was carried out: the procedure's words, then the regulators, flows and means that were used. */
export function describeMethod(procedure: Procedure, state: RunState, language: Language): string {
  const flows = state.bindings.flatMap((binding) =>
    binding.flowLPerMin && !binding.struck && state.stimuli.some((span) => span.binding === binding.seq)
      ? [
          binding.regulator
            ? say(
                {
                  code: 'method.regulator',
                  numbers: { flow: binding.flowLPerMin, name: binding.regulator.name, lot: binding.regulator.lot },
                },
                language,
              )
            : say({ code: 'method.flow', numbers: { flow: binding.flowLPerMin } }, language),
        ]
      : [],
  );
  return [procedure.method, ...new Set(flows)].join(' ');
}
