export { changeMany, intervalsOfMany } from './server/intervals-of-many';
export { changePolicy, putPolicy, type PolicyChange } from './server/change-policy';
export { dueAfter, keepDue, type Due } from './server/next-due';
export { customersWithDue, dueCounts, dueList, nameOfCustomer, windowOf, type DueQuery, type DueWindow } from './server/due-list';
export { dueCalendar, dueCsv } from './server/due-files';
export { keepUse, usesOfAsset, type UseRow } from './server/uses';
export { makeReminders } from './server/reminders';
export { emptyOutbox, markCutOff, type Emptied } from './server/empty-outbox';
export { outbox, sendAgain } from './server/outbox';
