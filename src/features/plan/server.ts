export { promisedSoFar, workPlan, type DayPlan, type Promised } from './server/work-plan';
