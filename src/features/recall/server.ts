export { judgeSuspicion, proposed } from './server/judge-suspicion';
export { decideRecall, dropSuspicion, keepRecallText, releaseRecall } from './server/end-suspicion';
export { suspicionOfEntry, suspicionPage, suspicionsOf, type SuspicionPage } from './server/read-suspicion';
export { traceBack, type TracedBack } from './server/trace-back';
export { recallLetters } from './server/letters-of-page';
export { countsOf } from './server/counts-of';
export { suspect } from './server/suspect';
export { countUsed, nameOfTraced, traceAddress, whereUsed, whereUsedCsv, type TraceAsked } from './server/where-used';
export { judgedLots, lookAtLots, lotWitnesses, lowLots, type LotFound } from './server/lot-witnesses';
