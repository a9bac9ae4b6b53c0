export { unlockSchema } from './schemas';
export { passkeyHost } from './server/house-address';
export { personOfLink, sendPasswordLink, setPasswordByLink } from './server/forgotten';
export { factorsOf } from './server/second-factor';
export { sessionsOf } from './server/sessions';
export { lockScreen, peopleOfScreen, unlockScreen, type Unlocking } from './server/unlock';
