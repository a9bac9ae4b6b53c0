export { confirmRemembered, recordStudy, setStanding, withdrawStudy } from './server/change-standing';
export { standingTable, standingValues, type StandingLine } from './server/standing-values';
export { listStudies } from './server/studies';
export { unconfirmedIn } from './server/unconfirmed';
