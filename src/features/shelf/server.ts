export { referenceSnapshot, referenceSnapshots, referenceUse } from './server/snapshot';
