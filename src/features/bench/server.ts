export { benchCommand, eventsAfter } from './server/bench-command';
export { giveCommand, type Given } from './server/give-command';
export { outcomeOfRun } from './server/outcome-of-run';
export { auditStatus, keepStatus } from './server/keep-status';
export { placeTicket } from './server/place-ticket';
export { recordRun, startRun } from './server/start-run';
export { board, type Board, type BoardTicket } from './server/board';
export { runView, type RunView } from './server/run-view';
export { eventHash, loadRun, storedEvent, toEvent, type LoadedRun } from './server/run-store';
