import type { Outcome } from './outcome';
import type { Output } from '../instrument/output';

/**
 * Where an instrument stands:
 * in use · at service · out of service · outside (found outside its limits and not put right) · retired.
 */
export const STATUSES = ['inUse', 'atService', 'outOfService', 'outside', 'retired'] as const;
export type StatusId = (typeof STATUSES)[number];

/** What failed: only a document that covers it brings the instrument back. */
export interface Failed {
  /** Channels of the instrument, by their id on its card. */
  channels: string[];
  /** Channels that did not answer a bump. */
  moved: string[];
  outputs: Output[];
  /** Questions that were answered badly, as step/item, with their words. */
  items: { question: string; label: string }[];
}
export const NOTHING_FAILED: Failed = { channels: [], moved: [], outputs: [], items: [] };

/** Where the instrument stands after a run; null: it stays where it was. No run brings one back by itself. */
export const STATUS_AFTER: Record<Outcome, StatusId | null> = {
  passed: null,
  limited: null,
  bumped: null,
  undecided: null,
  goesOn: null,
  outside: 'outside',
  service: 'atService',
  outOfService: 'outOfService',
  returned: 'outOfService',
};

/** Whether a person may rely on it. */
export const isInUse = (status: StatusId): boolean => status === 'inUse';
