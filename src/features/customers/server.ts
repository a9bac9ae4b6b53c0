export { createCustomer, correctCustomer, dropContact, keepContact } from './server/keep-customer';
export { openWork, retireCustomer, takeBackCustomer } from './server/end-customer';
export { mergeCustomers, undoMerge } from './server/merge';
export { customersLike, listCustomers, type CustomerRow } from './server/list-customers';
export { customerCard } from './server/customer-card';
export { customersCsv } from './server/customers-csv';
export { customerSchema, type CustomerInput } from './customer-schema';
export { personData } from './server/person-data';
