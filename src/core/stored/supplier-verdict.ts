/** What an evaluation of a supplier says: bought from freely, bought from with an eye on each lot, or not any more. */
export const SUPPLIER_VERDICTS = ['approved', 'watched', 'barred'] as const;
export type SupplierVerdict = (typeof SUPPLIER_VERDICTS)[number];
