export { ShelfTable } from './shelf-table';
