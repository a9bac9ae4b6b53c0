import { hrefOf, type ListAddress } from './list-address';

interface Props {
  list: ListAddress;
  /** Name in the address. */
  name: string;
  label: string;
  /** Value and what it is called; the empty one is none. */
  options: readonly (readonly [value: string, name: string])[];
}

/** One choice of a list, as links: it stands in the address. */
export function FilterLinks({ list, name, label, options }: Props) {
  return (
    <nav className="tabs tabs-small" aria-label={label}>
      {options.map(([value, title]) => (
        <a
          key={value}
          href={hrefOf(list, { filters: { [name]: value || undefined } })}
          aria-current={(list.filters[name] ?? '') === value}
        >
          {title}
        </a>
      ))}
    </nav>
  );
}
