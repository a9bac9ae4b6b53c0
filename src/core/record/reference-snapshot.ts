import type { EquipmentRole } from '../procedure/equipment-role';

/** One component of a certified material. Values are decimal texts; `expanded` is absolute, in the component's unit. */
export interface MaterialComponent {
  substance: string;
  value: string;
  unit: string;
  expanded: string;
  k: number;
  /** The lot's own table: °C and the value there, rising. It overrides the usual one. */
  table?: [number, number][];
  /** What its certificate says has to be added to what it shows, over its range, rising. */
  corrections?: [number, number][];
}

/** What has to be known of a piece of equipment. Flow in L/min as text; a demand regulator gives what a pump draws. */
export interface EquipmentDetail {
  flowLPerMin?: string;
  demand?: boolean;
  fitting?: string;
  /** How this type of regulator is screwed on and shut off. */
  handling?: string;
  serial?: string;
  lengthCm?: string;
  /** Days that a buffer or standard is good after opening; millilitres when new, and of one dose. */
  /** Its certificate vouches for the value over the whole shelf life. */
  stabilityIncluded?: boolean;
  lifeDays?: string;
  volumeMl?: string;
  doseMl?: string;
  singleDose?: boolean;
  /** The set that a buffer belongs to, and its value by name. */
  set?: string;
  nominal?: string;
}

/** A reference as it stood when it was put to use: copied into the event. */
export interface ReferenceSnapshot {
  id: string;
  kind: 'gas' | 'cleanAir' | 'buffer' | 'standard' | 'tool' | 'solution';
  name: string;
  lot: string;
  certificate?: string;
  traceability?: string;
  /** Who issued the certificate. */
  issuer?: string;
  expires?: string;
  components: MaterialComponent[];
  balance?: string;
  /** Litres at 1 atm left when it was chosen; left out for what doesn't run empty. */
  availableL?: string;
  recalled?: string;
  fitting?: string;
  partNumber?: string;
  /** Money a litre, in the workshop's own currency. */
  pricePerL?: string;
  role?: EquipmentRole;
  detail?: EquipmentDetail;
  /** Spent (a scrubber that turned violet) or taken out of use. */
  unusable?: string;
  /** First opened, and the last day it is good by that; the earlier of this and `expires` counts. */
  /** The certificate vouches for the value over the whole shelf life. */
  stabilityIncluded?: boolean;
  /** Checked before its first use, or after it came back. */
  accepted?: { on: string; by: string };
  openedOn?: string;
  openedUntil?: string;
  /** Millilitres left by the doses that were booked. */
  leftMl?: string;
}
