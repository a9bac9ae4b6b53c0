import type { MaterialComponent, ReferenceSnapshot } from '../record/reference-snapshot';
import { Dec } from '../quantity/decimal';

/** What is thought of one quantity that a reference brings: its true value (a material), by how much what it shows has to be moved (equipment), or that nobody knows. Decimal texts in the component's unit. */
export type Doubt =
  | { substance: string; kind: 'value'; value: string }
  | { substance: string; kind: 'shift'; value: string }
  | { substance: string; kind: 'unknown' };

/** A reference that is suspected, and what is thought true of it. */
export interface Suspicion {
  reference: string;
  doubts: readonly Doubt[];
}

/** A correction over the whole range. */
const EVERYWHERE: readonly [number, number] = [-1e6, 1e6];

/**
 * A reference as it would stand if what is thought of it were true: certified values replaced, equipment moved by its shift. What is unknown, and what isn't doubted, stays.
 * A lot's own table moves with its value. Errors: RangeError for a text that is no decimal.
 *
 * @example
 * asThought(bottle, [{ substance: 'H2S', kind: 'value', value: '22.0' }]).components // H2S 22.0 ppm
 */
export const asThought = (reference: ReferenceSnapshot, doubts: readonly Doubt[]): ReferenceSnapshot => ({
  ...reference,
  components: reference.components.map((component) => {
    const doubt = doubts.find((one) => one.substance === component.substance);
    return !doubt || doubt.kind === 'unknown' ? component : moved(component, doubt);
  }),
});

function moved(component: MaterialComponent, doubt: Exclude<Doubt, { kind: 'unknown' }>): MaterialComponent {
  const { table, corrections } = component;
  if (doubt.kind === 'value') {
    const by = new Dec(doubt.value).minus(component.value).toNumber();
    return { ...component, value: doubt.value, ...(table ? { table: table.map(([at, value]) => [at, value + by]) } : {}) };
  }
  const shift = new Dec(doubt.value).toNumber();
  return {
    ...component,
    corrections: corrections?.length
      ? corrections.map(([at, correction]) => [at, correction + shift])
      : EVERYWHERE.map((at) => [at, shift]),
  };
}
