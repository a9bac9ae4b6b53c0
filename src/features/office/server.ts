export { addUser, listAudit, listUsers, setUserActive } from './server/people';
