export { ReorderList } from './reorder-list';
export { SupplyTable } from './supply-table';
