export { confirmRemembered, recordStudy, setStanding, withdrawStudy } from './server/change-standing';
export { standingTable, standingValues, type StandingLine } from './server/standing-values';
export { BUDGET_TABLES, budgetCsv, type BudgetTable } from './server/export';
export { endScope, listScope, scopeNow, stateScope } from './server/scope';
export { listStudies } from './server/studies';
export { unconfirmedIn } from './server/unconfirmed';
