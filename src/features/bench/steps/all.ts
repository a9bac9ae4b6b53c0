// Every kind of step, for whoever fetches them ahead.
export { AdjustStep } from './adjust-step';
export { BumpStep } from './bump-step';
export { CareStep } from './care-step';
export { CheckStep } from './check-step';
export { ConditionStep } from './condition-step';
export { DecideStep } from './decide-step';
export { EndOfRun } from './end-of-run';
export { ReferenceStep } from './reference-step';
export { SaveStep } from './save-step';
