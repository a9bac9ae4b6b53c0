export { addUser, listAudit, listUsers, setUserActive } from './server/people';
export { chooseWay, listWays } from './server/ways';
export { verifyRecords, type VerifyReport } from './server/verify-records';
