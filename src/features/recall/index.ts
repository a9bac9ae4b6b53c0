export { LotOutlookPanel } from './lot-outlook-panel';
export { RecallView } from './recall-view';
export { SuspectForm } from './suspect-form';
export { TraceForm, TraceTable } from './trace-table';
export { TracedValues } from './traced-values';
export { LowLots, WitnessPanel } from './low-lots';
