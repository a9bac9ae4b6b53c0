export { ProcedureTable } from './procedure-table';
export { ProcedureView } from './procedure-view';
