export { draftOf, listProcedures, modelsToTry, procedureJson, procedurePage } from './server/list-procedures';
export { ownProcedurePage } from './server/own-page';
export { procedureById, procedureOfVersion, proceduresById, recallOf } from './server/procedure-by-id';
export { copyProcedure, endProcedure, keepDraft, reviseProcedure, takeProcedure } from './server/keep-procedure';
export { recallProcedure, releaseProcedure } from './server/release-procedure';
export { askWalk, walkDraft } from './server/walk-draft';
