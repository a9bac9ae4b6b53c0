export {
  closeNonconformity,
  correctNonconformity,
  enterNonconformity,
  noteCustomersWord,
  noteStep,
  openNonconformity,
  reopenNonconformity,
  stepsOf,
} from './server/keep-register';
export {
  listRegister,
  registerAddress,
  registerCounts,
  registerCsv,
  registerPage,
  type RegisterRow,
} from './server/read-register';
