export { LockedStrip } from './locked-strip';
export { ConductorLine } from './places/conductor-line';
export { BenchBoard } from './places/bench-board';
export { RunSheet, SheetOf } from './run-sheet';
export { OutTray } from './places/out-tray';
export type { LiveRun } from './use-run';
export type { Listen } from './live/use-live';
export type { RunView } from './server/run-view';
export type { PlaceChain } from './server/chains';
