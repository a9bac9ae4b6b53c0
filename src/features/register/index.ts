export { CountsChart } from './counts-chart';
export { EnterForm } from './enter-form';
export { EntryView } from './entry-view';
export { RegisterTable } from './register-table';
