export { CompetenceView } from './competence-view';
export { WatchBar } from './watch-bar';
