export { listSuppliers, suppliersCsv } from './server/list-suppliers';
export { reviewSupplier } from './server/review-supplier';
