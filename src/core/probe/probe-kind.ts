import { measurandOf } from '../measurand';
import type { ProbeKind } from '../measurand/measurand';
import type { MeasurandId } from '../quantity/unit';

/** What the measurand of a channel is to a probe; null for gas. */
export const probeKind = (measurand: MeasurandId): ProbeKind | null => measurandOf(measurand).probe ?? null;
