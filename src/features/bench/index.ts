export { BenchBoard } from './bench-board';
export { RunSheet } from './run-sheet';
export { OutTray } from './out-tray';
