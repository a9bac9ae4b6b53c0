export { ShelfTable } from './shelf-table';
export { ReferenceView } from './reference-view';
export { CorrectReference } from './correct-reference';
export { NewReference } from './new-reference';
