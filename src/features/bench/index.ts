export { LockedStrip } from './locked-strip';
export { BenchBoard } from './places/bench-board';
export { RunSheet } from './run-sheet';
export { OutTray } from './places/out-tray';
export { PracticeSheet } from './practice/practice-door';
