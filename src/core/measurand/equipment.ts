import type { Binding } from '../record/state';
import type { MaterialComponent } from '../record/reference-snapshot';
import { bounded, certified, type Component, type InfluenceId } from '../uncertainty/component';
import type { WordCode } from '../words/say';

/** A component for what a thermometer, barometer or hygrometer leaves open; bounds by practice where its certificate states nothing. */
export function equipmentComponent({
  id,
  basis,
  binding,
  component,
  sensitivity,
  openHalf,
  unit,
}: {
  id: InfluenceId;
  basis: Extract<WordCode, 'basis.thermometer' | 'basis.barometer' | 'basis.hygrometer'>;
  binding: Binding | null;
  component: MaterialComponent | null;
  sensitivity: number;
  openHalf: number;
  unit: string;
}): Component {
  if (!binding || !component || !(Number(component.expanded) > 0))
    return bounded({
      id,
      half: openHalf,
      sensitivity,
      basis: { code: 'basis.unknownUncertainty', numbers: { half: openHalf, unit } },
    });
  return certified({
    id,
    expanded: Number(component.expanded),
    k: component.k,
    sensitivity,
    basis: {
      code: basis,
      numbers: { name: binding.reference.name, lot: binding.reference.lot, expanded: component.expanded, k: component.k },
    },
  });
}
