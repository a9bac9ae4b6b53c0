export { ShelfTable } from './shelf-table';
export { ReferenceView } from './reference-view';
export { NewReference } from './new-reference';
