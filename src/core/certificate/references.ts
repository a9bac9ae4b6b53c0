import type { Judged, ResultLine } from '../results/judged';
import { ROOM, roomFigure } from '../record/room';
import { ROOM_QUANTITIES } from '../procedure/room-quantity';
import { boundReference, isStruck, type Binding, type RunState } from '../record/state';
import { ownValue } from '../record/own-value';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { say, type Language } from '../words/say';
import type { CertificateVersion2, ReferenceText } from './version-2';
import '@/core/words/en/certificate';
import '@/core/words/en/document';

const AIR = { clean: 'clean-air', filtered: 'filtered-air', saturated: 'saturated-air' } as const;

/** How a document calls what a result was compared with: the reference's own id, or the air it was. */
export function referenceIdOf(judged: Judged, state: RunState): string | null {
  if (judged.binding !== null) return state.bindings.find((one) => one.seq === judged.binding)?.reference.id ?? null;
  if (judged.air) return AIR[judged.air];
  return judged.reference === null ? null : 'strip';
}

/** Every reference that something on the document rests on: materials of found and left alike, thermometers, the room's equipment, and air. */
export function referencesOf(state: RunState, lines: ResultLine[], language: Language): ReferenceText[] {
  const judged = lines.flatMap((line) => [line.found, line.left].filter((one): one is Judged => one !== null));
  const used = new Set<number>();
  judged.forEach((one) => one.binding !== null && used.add(one.binding));
  // What served the adjustment, the check and the temperature of a liquid counts as well.
  for (const reading of state.readings)
    if (!isStruck(reading) && typeof reading.target?.binding === 'number') used.add(reading.target.binding);
  const lots = new Set(state.readings.flatMap((one) => (isStruck(one) ? [] : (one.target?.inputs.thermometer ?? []))));
  for (const quantity of ROOM_QUANTITIES) {
    const figure = roomFigure(state, quantity);
    if (figure?.binding) used.add(figure.binding.seq);
  }
  const bindings = state.bindings.filter(
    (one) => !one.struck && (used.has(one.seq) || lots.has(one.reference.lot) || standsUnread(one, state)),
  );
  const materials = [...new Map(bindings.map((one) => [one.reference.id, one.reference])).values()];
  const airs = [...new Set(judged.flatMap((one) => (one.binding === null ? (referenceIdOf(one, state) ?? []) : [])))];
  return [...materials.map((one) => referenceText(one, language)), ...airs.map((id) => airText(id, state, language))];
}

/** In a bump test nothing is read: the bottle that stood open is its reference all the same. */
const standsUnread = (binding: Binding, state: RunState) =>
  binding.reference.kind === 'gas' && !state.readings.length && boundReference(state, binding.slot) === binding;

function referenceText(reference: ReferenceSnapshot, language: Language): ReferenceText {
  const corrections = reference.components.flatMap((one) =>
    (one.corrections ?? []).map(([at, correction]) => ({
      quantity: one.substance,
      at: String(at),
      correction: String(correction),
    })),
  );
  return {
    id: reference.id,
    name: reference.name,
    lot: reference.lot,
    certificate: reference.certificate ?? '',
    issuer: reference.issuer ?? '',
    traceability: reference.traceability ?? '',
    expires: reference.expires ?? null,
    values: [
      ...reference.components.map((one) => ({
        quantity: one.substance,
        value: ownValue(reference.kind, one) ?? '',
        expanded: one.expanded,
        k: String(one.k),
        unit: one.unit,
      })),
      ...(reference.balance
        ? [
            {
              quantity: say({ code: 'doc.balance', numbers: { gas: reference.balance } }, language),
              value: '',
              expanded: null,
              k: null,
              unit: '',
            },
          ]
        : []),
    ],
    ...(corrections.length ? { corrections } : {}),
  };
}

/** Air is a reference without a bottle: what it is taken to hold, and why that can be traced. */
function airText(id: string, state: RunState, language: Language): ReferenceText {
  const filter = state.bindings.find((one) => one.reference.role === 'scrubber' || one.reference.role === 'zeroTube');
  const numbers = { filter: filter ? `${filter.reference.name} ${filter.reference.lot}` : '' };
  const code = id as 'clean-air' | 'filtered-air' | 'saturated-air' | 'strip';
  return {
    id,
    name: say({ code: `air.${code}.name` }, language),
    lot: '',
    certificate: '',
    issuer: '',
    traceability: say({ code: `air.${code}.traceability`, numbers }, language),
    expires: null,
    values: [],
  };
}

/** The room as last recorded, each quantity with the equipment that read it. */
export function environmentOf(state: RunState): CertificateVersion2['environment'] {
  const of = (quantity: (typeof ROOM_QUANTITIES)[number]) => {
    const figure = roomFigure(state, quantity);
    if (!figure) return null;
    return {
      value: figure.text,
      expanded: figure.component?.expanded ?? null,
      k: figure.component ? String(figure.component.k) : null,
      equipment: figure.binding?.reference.id ?? null,
    };
  };
  return { temperatureC: of('temperatureC'), pressureHPa: of('pressureHPa'), humidityPercent: of('humidityPercent') };
}
export const ROOM_UNITS = ROOM;
