export { correctCompetence, endCompetence, giveCompetence } from './server/give-competence';
export { competenceCsv, listCompetence, toAuthorise } from './server/list-competence';
export { watchRun } from './server/watch-run';
