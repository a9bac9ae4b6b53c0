import type { ImportField } from '@/core/stored/import';
import type { WordCode } from '@/core/words/say';
import '@/core/words/en/imports';

export const IMPORT_KINDS = ['customers', 'instruments', 'bottles'] as const;
export type ImportKind = (typeof IMPORT_KINDS)[number];

interface Asked {
  field: ImportField;
  needed: boolean;
  /** Headings of tables that people have, in small letters: matched at once. */
  called: RegExp;
}

const customerFields: Asked[] = [
  { field: 'customer', needed: true, called: /^(customer|client|company|owner|firma|kunde|name|customer name|organi[sz]ation)$/ },
  { field: 'address', needed: false, called: /^(address|street|adresse|anschrift)$/ },
  { field: 'contact', needed: false, called: /^(contact|contact person|person|ansprechpartner|attention)$/ },
  { field: 'email', needed: false, called: /^(e-?mail|mail|e-?mail address|mail address)$/ },
  { field: 'phone', needed: false, called: /^(phone|telephone|tel\.?|telefon|mobile)$/ },
];
const instrumentFields: Asked[] = [
  { field: 'maker', needed: false, called: /^(maker|manufacturer|make|brand|hersteller)$/ },
  { field: 'model', needed: true, called: /^(model|type|instrument|device|modell|typ|ger[äa]t|model name)$/ },
  { field: 'serial', needed: true, called: /^(serial|serial (no\.?|number)|s\/?n|sn|seriennummer|serial#)$/ },
  { field: 'tag', needed: false, called: /^(tag|asset (tag|no\.?|number)|inventory( no\.?| number)?|inventarnummer|id)$/ },
  { field: 'due', needed: false, called: /^(due|next due|due date|next calibration|f[äa]llig|n[äa]chste kalibrierung|cal due)$/ },
  {
    field: 'last',
    needed: false,
    called: /^(last|last calibration|calibrated( on)?|calibration date|last cal|letzte kalibrierung)$/,
  },
];

const siteField: Asked = { field: 'site', needed: false, called: /^(site|plant|location|place|standort|werk)$/ };
const bottleFields: Asked[] = [
  {
    field: 'lot',
    needed: true,
    called: /^(lot|lot (no\.?|number)|batch|bottle|cylinder( no\.?| number)?|charge|serial( no\.?| number)?)$/,
  },
  { field: 'name', needed: false, called: /^(name|mixture|description|gas mixture|bezeichnung)$/ },
  { field: 'gas', needed: true, called: /^(gas|component|substance|analyte|komponente)$/ },
  { field: 'value', needed: true, called: /^(value|concentration|certified( value)?|amount|content|konzentration|gehalt)$/ },
  { field: 'unit', needed: true, called: /^(unit|units|einheit)$/ },
  { field: 'expanded', needed: true, called: /^(u|uncertainty|expanded uncertainty|unsicherheit|u \(k ?= ?2\))$/ },
  { field: 'k', needed: false, called: /^(k|coverage factor|coverage)$/ },
  { field: 'expires', needed: true, called: /^(expires|expiry( date)?|good until|valid until|best before|haltbar bis)$/ },
  { field: 'supplier', needed: false, called: /^(supplier|maker|manufacturer|producer|lieferant|hersteller)$/ },
  { field: 'certificate', needed: false, called: /^(certificate|certificate (no\.?|number)|zertifikat)$/ },
  { field: 'issuer', needed: false, called: /^(issuer|issued by|laboratory)$/ },
  { field: 'traceability', needed: false, called: /^(traceability|traceable to|r[üu]ckf[üu]hrung)$/ },
  { field: 'waterVolume', needed: false, called: /^(water volume|volume|volume \(l\)|litres|liter)$/ },
  { field: 'pressure', needed: false, called: /^(pressure|pressure \(bar\)|bar|druck)$/ },
];

/** What a table of a kind may have, in the order in which it is shown. */
export const FIELDS_OF: Record<ImportKind, Asked[]> = {
  customers: customerFields,
  instruments: [customerFields[0]!, ...instrumentFields, siteField, ...customerFields.slice(1)],
  bottles: bottleFields,
};

export const labelOf = (field: ImportField): WordCode => `import.${field}`;

/** Which column is which, by its heading: the place of the column by field. Each column once. */
export function guessColumns(kind: ImportKind, columns: readonly string[]): Partial<Record<ImportField, number>> {
  const found: Partial<Record<ImportField, number>> = {};
  const taken = new Set<number>();
  for (const { field, called } of FIELDS_OF[kind]) {
    const at = columns.findIndex((name, index) => !taken.has(index) && called.test(name.trim().toLowerCase()));
    if (at < 0) continue;
    found[field] = at;
    taken.add(at);
  }
  return found;
}
