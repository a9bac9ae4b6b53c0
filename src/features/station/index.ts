export { StationView } from './station-view';
