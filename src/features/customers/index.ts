export { CustomerTable } from './customer-table';
export { CustomerView } from './customer-view';
export { NewCustomer, NewCustomerPanel } from './new-customer';
