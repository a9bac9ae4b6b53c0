import { SearchField } from '../search-field';
import { queryOf, type ListAddress } from './list-address';

/** What is looked for in a list; its order, columns and filters stay. */
export function ListSearch({ list, label, placeholder = label }: { list: ListAddress; label: string; placeholder?: string }) {
  return (
    <SearchField
      base={list.base}
      initial={list.q ?? ''}
      keep={queryOf(list, { q: undefined })}
      label={label}
      placeholder={placeholder}
    />
  );
}
