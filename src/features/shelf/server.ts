export { correctReference } from './server/correct-reference';
export { inputOf, stampOf } from './input-of';
export { referenceSnapshot, referenceSnapshots, shelfFor } from './server/snapshot';
export { referencePage, type ReferencePage } from './server/reference-page';
export { referenceSchema } from './shelf-schema';
export { SHELF_KINDS, shelfAddress, shelfCsv, shelfList } from './server/shelf-list';
export { addReference, noteCheck } from './server/change-shelf';
