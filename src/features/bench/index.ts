export { BenchBoard } from './bench-board';
export { RunSheet } from './run-sheet';
