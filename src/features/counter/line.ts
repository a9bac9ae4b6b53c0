import type { SampleQuantity, Samples } from '@/core/instrument/samples';
import type { ServiceId } from '@/core/instrument/service';
import type { StatusId } from '@/core/results/instrument-status';

/** One instrument on the receipt that is being written. */
export interface Line {
  assetId: string;
  title: string;
  serial: string;
  measurands: string[];
  status: StatusId;
  service: ServiceId;
  rule: string;
  promiseOn: string;
  dueAgreed: boolean;
  note: string;
  /** Left out where nothing is chosen by it. */
  samples?: Samples;
  asksSamples: SampleQuantity[];
  inspection: Record<string, { result: string; note: string }>;
}
