export { addUser, listAudit, listUsers, setUserActive } from './server/people';
export { verifyRecords, type VerifyReport } from './server/verify-records';
