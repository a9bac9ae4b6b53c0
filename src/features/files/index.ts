export { FilesPanel } from './files-panel';
