export { DueTable } from './due-table';
export { OutboxTable } from './outbox-table';
export { PolicyForm } from './policy-form';
export { UsesPanel } from './uses-panel';
export { RemindButton } from './remind-button';
export { ChosenTable } from './chosen-table';
export { ManyForm } from './many-form';
export { RemindedLast } from './reminded-last';
