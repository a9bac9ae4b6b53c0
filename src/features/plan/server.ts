export { lateTickets } from './server/late';
export { promisedSoFar, workPlan, type DayPlan, type Promised } from './server/work-plan';
