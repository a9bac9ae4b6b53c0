/** One component of a certified material. Values are decimal texts; `expanded` is absolute, in the component's unit. */
export interface MaterialComponent {
  substance: string;
  value: string;
  unit: string;
  expanded: string;
  k: number;
}

/** A reference as it stood when it was put to use: copied into the event. */
export interface ReferenceSnapshot {
  id: string;
  kind: 'gas' | 'cleanAir' | 'buffer' | 'standard' | 'tool';
  name: string;
  lot: string;
  certificate?: string;
  traceability?: string;
  expires?: string;
  components: MaterialComponent[];
  balance?: string;
  /** Litres at 1 atm left when it was chosen; left out for what doesn't run empty. */
  availableL?: string;
  recalled?: string;
}
