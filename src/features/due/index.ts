export { DueTable } from './due-table';
export { OutboxTable } from './outbox-table';
export { PolicyForm } from './policy-form';
export { RemindButton } from './remind-button';
