export { OwnPanel } from './own-panel';
export { ProcedureEditor } from './editor/procedure-editor';
export { ProcedureTable } from './procedure-table';
export { ProcedureView } from './procedure-view';
export { TakeProcedureForm } from './take-procedure-form';
export { VersionsPanel } from './versions-panel';
