export { ProgramsPanel } from './programs-panel';
