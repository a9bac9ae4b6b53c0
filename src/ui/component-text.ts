import { ownValue } from '@/core/record/own-value';
import type { MaterialComponent, ReferenceSnapshot } from '@/core/record/reference-snapshot';

/** "CO 100 ± 2 ppm" of a material, "temperature ± 0.3 °C" of a thermometer, "charcoal" of what has no figure. */
export function componentText(kind: ReferenceSnapshot['kind'], component: MaterialComponent): string {
  if (kind === 'tool' && component.unit === '1') return component.substance;
  return [component.substance, ownValue(kind, component), '±', component.expanded, component.unit].filter(Boolean).join(' ');
}
