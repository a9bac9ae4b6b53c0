export { SuppliersView } from './suppliers-view';
