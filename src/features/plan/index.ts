export { LateTable } from './late-table';
export { PlanView } from './plan-view';
export { PromiseHint } from './promise-hint';
export type { Promised } from './server/work-plan';
