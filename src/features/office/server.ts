export { CHANGED_TABLES, houseFindings, listChanges } from './server/changes';
export { addUser, correctPerson, giveOneTimePassword, listUsers, setUserActive, setUserRole } from './server/people';
export { auditActions, auditCsv, listAudit } from './server/audit-list';
export { chooseWay, listWays } from './server/ways';
export { verifyRecords } from './server/verify/verify-records';
export { makeAnchor, readAnchor, type Anchor } from './server/verify/anchor';
export type { VerifyReport } from './server/verify/report';
export { installationChecks, installed, noteInstallation, withdrawInstallation } from './server/installation';
export { dropLogo, keepLogo, keepNumbers, LOGO_MOST_KB } from './server/papers';
