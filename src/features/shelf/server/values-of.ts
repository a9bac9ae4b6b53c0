import type { EquipmentRole } from '@/core/procedure/equipment-role';
import type { EquipmentDetail, MaterialComponent } from '@/core/record/reference-snapshot';
import { Problem } from '@/platform/problem';
import { readTable } from '../read-table';
import { CORRECTED, lastDayOf, type ReferenceInput } from '../shelf-schema';

/** What is kept of a bottle or a piece of equipment as it was entered. Errors: Problem beside the field where two of its answers don't go together. */
export function valuesOf(input: ReferenceInput, today: string) {
  const {
    flowLPerMin,
    demand,
    expires,
    set,
    nominal,
    openedOn,
    lifeDays,
    volumeMl,
    doseMl,
    singleDose,
    stabilityIncluded,
    ...rest
  } = input;
  const liquid = ['buffer', 'standard', 'solution'].includes(input.kind);
  if (openedOn && openedOn > today) throw new Problem('It is not open yet.', { openedOn: 'Not in the future.' });
  if (input.role === 'regulator' && !demand && !flowLPerMin)
    throw new Problem('A regulator gives a fixed flow or what a pump demands.', { flowLPerMin: 'Which flow, in L/min?' });
  const detail: EquipmentDetail = {
    ...(flowLPerMin ? { flowLPerMin } : {}),
    ...(demand ? { demand } : {}),
    ...(stabilityIncluded ? { stabilityIncluded } : {}),
    ...(input.role === 'regulator' && input.fitting ? { fitting: input.fitting } : {}),
    ...(liquid
      ? Object.fromEntries(Object.entries({ set, nominal, lifeDays, volumeMl, doseMl, singleDose }).filter(([, value]) => value))
      : {}),
  };
  return {
    ...rest,
    kind: input.kind as 'gas',
    role: input.role as EquipmentRole,
    components: componentsOf(input),
    openedOn: liquid && openedOn ? openedOn : null,
    detail,
    expires: expires ? lastDayOf(expires) : null,
    waterVolumeL: input.waterVolumeL || null,
    pressureBar: input.pressureBar || null,
    price: input.price || null,
    balance: input.balance || null,
    certificate: input.certificate || null,
    issuer: input.issuer || null,
    traceability: input.traceability || null,
  };
}

/** Components with their tables as rows; what is typed as text is read once, here. */
function componentsOf({ components }: ReferenceInput): MaterialComponent[] {
  return components.map(({ table, corrections, ...one }) => {
    const rows = (text: string | undefined, within?: readonly [number, number]) => {
      const read = text ? readTable(text, within) : null;
      return read && 'rows' in read ? read.rows : null;
    };
    const [at, correction] = [rows(table), rows(corrections, CORRECTED)];
    return {
      ...(one as MaterialComponent),
      ...(at ? { table: at } : {}),
      ...(correction ? { corrections: correction } : {}),
    };
  });
}
