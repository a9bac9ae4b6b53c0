export { changeToken, endToken, listTokens, makeToken, type TokenShown } from './server/tokens';
export { programRoute } from './server/program-route';
export { readDocuments, readDue, readInstruments } from './server/read';
export { OPENAPI } from './server/openapi';
