export { LoanPanel } from './loan-panel';
export { LoanPaper } from './loan-paper';
export { LoanTable } from './loan-table';
export { LendForm } from './lend-form';
export { SparesFitted } from './spares-fitted';
export { SpareTable } from './spare-table';
