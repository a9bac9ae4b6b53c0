export { ProbeSheetView } from './probe-sheet-view';
export { ReadyProbes } from './ready-probes';
