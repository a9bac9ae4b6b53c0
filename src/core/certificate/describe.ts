import type { RunChannel } from '../run/event';
import type { ReferenceSnapshot } from '../run/reference-snapshot';
import { boundReference, isStruck, type RunState } from '../run/state';
import type { CertificateContent } from './certificate';
import { tryWord } from '../run/try-word';

/** A channel with its range, step, tolerance and combustible scale. */
export function describeChannel(channel: RunChannel): CertificateContent['item']['channels'][number] {
  const { absolute, percentOfTarget, zero } = channel.tolerance;
  const parts = [absolute && `± ${absolute} ${channel.unit}`, percentOfTarget && `± ${percentOfTarget} % of the value`]
    .filter(Boolean)
    .join(' or ');
  return {
    label: channel.label,
    measurand: channel.measurand,
    range: `${channel.lowest} to ${channel.highest} ${channel.unit}`,
    resolution: `${channel.resolution} ${channel.unit}`,
    tolerance: `${parts}${percentOfTarget && absolute ? ', the greater' : ''}${zero ? `; at zero ± ${zero} ${channel.unit}` : ''}`,
    scale: channel.scale
      ? `100 %LEL = ${channel.scale.lelVolPercent} %vol (${channel.scale.source}), relative response ${channel.scale.relativeResponse}`
      : '',
    sensorSerial: channel.sensorSerial ?? '',
    status: channel.status,
  };
}

/** Temperature, pressure and humidity in one line. */
export function describeConditions(conditions: {
  temperatureC?: string;
  pressureHPa?: string;
  humidityPercent?: string;
}): string {
  return [
    conditions.temperatureC && `${conditions.temperatureC} °C`,
    conditions.pressureHPa && `${conditions.pressureHPa} hPa`,
    conditions.humidityPercent && `${conditions.humidityPercent} % relative humidity`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** The references that standing readings rest on. */
export function usedReferences(state: RunState): ReferenceSnapshot[] {
  const used = state.bindings.filter(
    (binding) =>
      !binding.struck && state.readings.some((reading) => reading.target?.binding === binding.seq && !isStruck(reading)),
  );
  const standing = used.length ? used : state.bindings.filter((binding) => boundReference(state, binding.slot) === binding);
  return [...new Map(standing.map((binding) => [binding.reference.id, binding.reference])).values()];
}

/** A reference with its certified values and traceability (7.8.4.1 c). */
export function describeReference(reference: ReferenceSnapshot): CertificateContent['references'][number] {
  return {
    name: reference.name,
    lot: reference.lot,
    certificate: reference.certificate ?? '',
    traceability: reference.traceability ?? '',
    expires: reference.expires ?? '',
    components: [
      ...reference.components.map(
        (component) =>
          `${component.substance} ${component.value} ${component.unit} ± ${component.expanded} ${component.unit} (k = ${component.k})`,
      ),
      ...(reference.balance ? [`balance ${reference.balance}`] : []),
    ],
  };
}

/** What was adjusted and saved, every try. */
export function describeAdjustments(state: RunState): string[] {
  const label = (id: string) => state.channels.find((channel) => channel.id === id)?.label ?? id;
  const lines = state.adjustments
    .filter((adjustment) => !adjustment.struck)
    .map(
      (adjustment) =>
        `${ACTION_TEXT[adjustment.action]}: ${adjustment.channels.map(label).join(', ')}, ${adjustment.outcome}${adjustment.iteration > 1 ? ` (${tryWord(adjustment.iteration)})` : ''}.`,
    );
  const saved = state.saves.map(
    (save) =>
      `Saved on the instrument: ${save.outcome === 'saved' ? 'confirmed' : 'lost, done again'}${save.readBack ? ` (read back ${save.readBack})` : ''}.`,
  );
  return lines.length ? [...lines, ...saved] : ['Nothing was adjusted: as left is as found.'];
}

const ACTION_TEXT = { quick: 'Quick set-up', zero: 'Zero', span: 'Span', calibrate: 'Calibration', trim: 'Manual trim' };

const METHOD_TEXT = {
  timed: 'the instrument’s own timed test, which mutes the alarms',
  watched: 'watched by a person',
  station: 'by a station',
};

/** A bump in one sentence: its kind, what each channel did, the outputs, the verdict. */
function describeBump(state: RunState, bump: RunState['bumps'][number]): string {
  const channels = Object.entries(bump.channels).map(([id, one]) => {
    const label = state.channels.find((channel) => channel.id === id)?.label ?? id;
    const what = !one.moved ? 'barely moved' : one.rightWay ? 'moved' : 'moved the wrong way';
    const figures = one.before && one.shown ? ` from ${one.before} to ${one.shown}` : '';
    return `${label} ${what}${figures}${one.t90Seconds === undefined ? '' : `, T90 ${one.t90Seconds} s`}`;
  });
  const outputs = Object.entries(bump.outputs).map(([output, works]) => `${output} ${works ? 'works' : 'does not work'}`);
  return `Bump test, ${METHOD_TEXT[bump.method]}: ${bump.outcome}. ${[...channels, ...outputs].join('; ')}.`;
}

/** Replaced parts, changed settings, struck readings: what the reader has to know besides. */
export function remarks(state: RunState): string[] {
  return [
    ...(state.samePerson
      ? ['Work and approval by the same person, as the workshop’s rule for a single-person workshop allows.']
      : []),
    ...state.cares.map((care) => `Care: ${care.action}${care.note ? ` (${care.note})` : ''}.`),
    ...state.readings
      .filter((entry) => entry.phase === 'check' && entry.target && entry.flags.length === 0)
      .map(
        (entry) =>
          `Cross-check: ${entry.target!.sentence}; the meter showed ${entry.reading.text} ${entry.reading.unit}, ${entry.judgement.state === 'within' ? 'which agrees' : 'which does not agree'}.`,
      ),
    ...state.bumps.map((bump) => describeBump(state, bump)),
    ...state.parts.map((part) => `${part.part} replaced: ${part.oldSerial ?? 'unknown'} by ${part.newSerial}.`),
    ...state.settings.map(
      (setting) =>
        `Setting ${setting.setting}: ${setting.before} before, ${setting.after} after${setting.agreedBy ? `, agreed by ${setting.agreedBy}` : ''}.`,
    ),
    ...state.readings
      .filter((entry) => entry.flags.length > 0)
      .map(
        (entry) =>
          `A reading of ${state.channels.find((channel) => channel.id === entry.channel)?.label ?? entry.channel} was ${entry.flags[0]!.code === 'struck' ? 'struck out' : 'set aside with its reference'}: ${entry.flags[0]!.reason}.`,
      ),
  ];
}
