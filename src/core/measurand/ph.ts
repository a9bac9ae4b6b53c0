import { Dec } from '../quantity/decimal';
import { recogniseBuffer } from '../ph/recognise-buffer';
import { buffersOfSet, OWN_SET } from '../ph/buffer-sets';
import { BUFFER_IDS, bufferValue, type BufferId } from '../ph/buffer-value';
import { checkMillivolts, sameBufferTwice } from './check-millivolts';
import type { TargetUsed } from '../record/event';
import { refused } from '../words/refused';
import { refuse, type Refusal } from '../words/refusal';
import { boundReference } from '../record/state';
import { nernstSlope } from '../ph/nernst-slope';
import { bounded, type Component } from '../uncertainty/component';
import { say } from '../words/say';
import { standingComponent } from './common-influences';
import { liquidTemperature, TEMPERATURE, temperatureInfluences } from './liquid-temperature';
import { atTemperature } from './liquid-value';
import type { InfluenceContext, Measurand, PointInput, TargetContext } from './measurand';
import { plain, plainTarget } from './plain-target';
import { memory, practice, published } from '../uncertainty/standing';

const MILLIVOLTS = (needed: boolean): PointInput => ({ name: 'millivolts', label: 'mV', needed });

function target(context: TargetContext): TargetUsed | null | Refusal {
  const { target: wanted } = context.point;
  if (wanted.kind === 'recognised') return recognised(context, wanted);
  if (wanted.kind === 'strip') return strip(context);
  return wanted.kind === 'material' && wanted.via === 'atTemperature' ? atTemperature(context) : plainTarget(context);
}

/** A buffer that the electrode names by its millivolts. The bottle is scanned all the same: without it there is no certificate, and no uncertainty is made up. */
function recognised(
  context: TargetContext,
  { set: usual, setBy, slot }: { set: BufferId[]; setBy?: string; slot?: string },
): TargetUsed | Refusal {
  const { inputs, channel, state } = context;
  const binding = slot ? boundReference(state, slot) : null;
  const millivolts = Number(inputs.millivolts ?? NaN);
  const temperature = liquidTemperature(context);
  if (!Number.isFinite(millivolts)) return refuse('noMillivolts', say({ code: 'refused.noMillivolts' }), { field: 'millivolts' });
  if ('refused' in temperature) return temperature;
  if (!(temperature.value >= 5 && temperature.value <= 50))
    return refuse('outsideTable', say({ code: 'refused.outsideBuffers' }), { field: 'temperatureC' });
  const scanned = binding?.reference.components[0];
  const chosen = setBy ? state.started?.schools?.[setBy] : undefined;
  const own = chosen === OWN_SET;
  // A bottle of one's own set is known by its own table, and by no other.
  if (own && binding && !scanned?.table?.length)
    return refused('ownBufferTable', { name: binding.reference.name, lot: binding.reference.lot }, 'reference');
  const set = own ? (scanned ? [scanned.substance as BufferId] : []) : [...(buffersOfSet(chosen) ?? usual)];
  if (binding && scanned && !set.includes(scanned.substance as BufferId))
    return refused('notOfSet', { name: binding.reference.name, lot: binding.reference.lot, set: set.join(', ') }, 'reference');
  const named = (among: BufferId[]) =>
    recogniseBuffer({
      millivolts,
      temperatureC: temperature.value,
      set: among,
      ...(scanned?.table ? { lotTables: { [scanned.substance as BufferId]: scanned.table } } : {}),
    });
  // Where two buffers of a set lie so close that the voltage tells them not apart, the bottle does.
  const found = named(set) ?? (scanned ? named([scanned.substance as BufferId]) : null);
  const shown = { millivolts: inputs.millivolts!, temperature: temperature.inputs.temperatureC! };
  if (!found) return refuse('notRecognised', say({ code: 'refused.notRecognised', numbers: shown }), { field: 'millivolts' });
  if (!binding || !scanned)
    return refuse('notScanned', say({ code: 'refused.notScanned', numbers: { buffer: found.buffer } }), { field: 'reference' });
  if (scanned.substance !== found.buffer)
    return refuse(
      'contradictsBottle',
      say({
        code: 'refused.contradictsBottle',
        numbers: { ...shown, found: found.buffer, name: binding.reference.name, lot: binding.reference.lot },
      }),
      { field: 'millivolts' },
    );
  const value = inputs.unrounded ? String(found.pH) : found.pH.toFixed(3);
  return {
    value,
    unit: channel.unit,
    expanded: scanned.expanded,
    k: scanned.k,
    inputs: { ...temperature.inputs, buffer: found.buffer },
    binding: binding.seq,
    sentence: say({
      code: 'target.material',
      numbers: {
        name: binding.reference.name,
        lot: binding.reference.lot,
        what: say({ code: 'target.recognised', numbers: { buffer: found.buffer, value, temperature: shown.temperature } }),
      },
    }),
  };
}

/** A strip's colour between two fields is an interval; the meter is compared with its middle, its half width is the limit. */
function strip({ inputs, channel }: TargetContext): TargetUsed | Refusal {
  const [low, high] = [inputs.low?.trim() ?? '', inputs.high?.trim() ?? ''];
  const number = /^\d+(\.\d+)?$/;
  if (!number.test(low)) return refuse('noStrip', say({ code: 'refused.noStripLow' }), { field: 'low' });
  if (!number.test(high) || !(Number(high) > Number(low)))
    return refuse('noStrip', say({ code: 'refused.noStripHigh' }), { field: 'high' });
  return {
    ...plain(inputs),
    value: new Dec(low).plus(high).div(2).toFixed(),
    unit: channel.unit,
    sentence: say({ code: 'target.strip', numbers: { low, high, unit: channel.unit } }),
  };
}

function influences(context: InfluenceContext): Component[] {
  if (context.point.target.kind !== 'material' && context.point.target.kind !== 'recognised') return [];
  return [
    ...temperatureInfluences(context, pH),
    standingComponent(context, pH, 'junction', 'junction'),
    standingComponent(context, pH, 'interpolation', 'interpolation'),
    computedInfluence(context),
  ].filter((one): one is Component => one !== null);
}

/** Rounding of the millivolts, of the slope and of the offset (half of a tenth each) in an as-found figure that is worked out from them. */
function computedInfluence({ inputs, target }: InfluenceContext): Component | null {
  const { computed, slopePercent, temperatureC } = inputs;
  if (computed !== 'electrode' || !slopePercent || !temperatureC) return null;
  const slope = (Number(slopePercent) / 100) * nernstSlope({ temperatureC: Number(temperatureC) });
  const half = (HALF_A_TENTH + HALF_A_TENTH) / slope + (Math.abs(Number(target.value) - 7) * HALF_A_TENTH) / Number(slopePercent);
  return bounded({ id: 'computed', half, basis: { code: 'basis.computed' } });
}
const HALF_A_TENTH = 0.05;

/** While a meter is being calibrated nothing is taken that contradicts the bottle: the sign, another buffer's voltage, the same buffer twice. */
function contradicts({ inputs, point, channel, state }: TargetContext, used: TargetUsed): Refusal | null {
  if (point.target.kind === 'recognised') return sameBufferTwice(state, channel, used.inputs.buffer!);
  if (point.target.kind !== 'material' || point.target.via !== 'atTemperature' || inputs.millivolts === undefined) return null;
  return checkMillivolts({
    millivolts: inputs.millivolts,
    temperatureC: Number(used.inputs.temperatureC),
    buffer: point.target.component,
    pH: Number(used.value),
  });
}

/** What stands on its bottle: technical ones by their number, the others by what is in them and their value at 25 °C. */
function bufferName(buffer: BufferId): string {
  const [kind, number] = buffer.split('-') as [string, string | undefined];
  if (kind === 'technical') return `Buffer ${number}`;
  if (kind === 'technical20') return `Buffer ${number} at 20 °C`;
  if (kind === 'din19267') return `DIN 19267 ${number}`;
  const words = buffer.replaceAll('-', ' ');
  return `${words[0]!.toUpperCase()}${words.slice(1)} ${bufferValue({ buffer, temperatureC: 25 }).toFixed(3)}`;
}

export const pH: Measurand = {
  danger: null,
  inputs: ({ target: wanted }) => {
    if (wanted.kind === 'recognised') return [MILLIVOLTS(true), TEMPERATURE];
    if (wanted.kind === 'strip')
      return [
        { name: 'low', label: 'from', needed: true },
        { name: 'high', label: 'to', needed: true },
      ];
    return wanted.kind === 'material' && wanted.via === 'atTemperature' ? [MILLIVOLTS(false), TEMPERATURE] : [];
  },
  target,
  influences,
  standing: {
    repeatability: practice(0.01, 'absolute', 'pH'),
    stability: memory(0.005, 'absolute', 'pH'),
    junction: published(0.01, 'absolute', 'IUPAC Recommendations 2002 (Buck et al.), residual liquid junction potential', 'pH'),
    interpolation: practice(0.002, 'absolute', 'pH'),
    gradient: practice(0.2, 'absolute', '°C'),
  },
  contradicts,
  liquids: [
    ...BUFFER_IDS.map((substance) => ({ kind: 'buffer' as const, substance, name: bufferName(substance), unit: 'pH' })),
    { kind: 'standard', substance: 'phosphate', name: 'Quick solution, pH 6.86', unit: 'pH' },
  ],
  probe: 'pH',
};
