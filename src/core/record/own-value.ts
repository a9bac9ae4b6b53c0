import type { MaterialComponent, ReferenceSnapshot } from './reference-snapshot';

/**
 * The value that a reference brings of this component; null of measuring equipment, which brings none of its own: what counts is how well it knows what it measures.
 * Unit: the component's. Errors: none.
 *
 * @example
 * ownValue('gas', { substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2 }) // '100'
 * ownValue('tool', { substance: 'temperature', value: '1', unit: '°C', expanded: '0.3', k: 2 }) // null
 */
export const ownValue = (kind: ReferenceSnapshot['kind'], { value, expanded }: MaterialComponent): string | null =>
  kind === 'tool' && Number(expanded) > 0 ? null : value;
