export { listProcedures, procedureJson, procedurePage } from './server/list-procedures';
