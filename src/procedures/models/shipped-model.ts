import type { Every } from '@/core/interval/next-due';
import type { Traits } from '@/core/instrument/traits';
import type { ModelChannel } from '@/core/stored/channel';

export interface ShippedModel {
  maker: string;
  name: string;
  kind: string;
  /** A probe or cell is an asset of its own; the others are bodies. */
  part?: 'probe' | 'cell';
  procedureId: string | null;
  traits: Traits;
  channels: ModelChannel[];
  every: Every;
  /** No two years of visits are made up for it: its date was taken over from the customer's own list. */
  history?: false;
}
