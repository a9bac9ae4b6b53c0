import type { ScopeEntry } from '@/core/uncertainty/scope';

export interface ScopeLine extends ScopeEntry {
  id: number;
  at: string;
  by: string;
}
/** A quantity that can be claimed, with its units. */
export interface ScopeQuantity {
  measurand: string;
  units: string[];
}
