export { ImportView } from './import-view';
export { ImportsTable } from './imports-table';
export { NewImport } from './new-import';
