'use client';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';

interface Props {
  label: string;
  /** Where each choice leads, what it is called, and whether it stands. */
  options: readonly { href: string; name: string; chosen: boolean }[];
}

/** One choice of a list where there are too many for links beside each other. */
export function FilterSelect({ label, options }: Props) {
  const router = useRouter();
  return (
    <Form.Select
      className="filter-select"
      aria-label={label}
      value={options.find((one) => one.chosen)?.href}
      onChange={(event) => router.push(event.target.value)}
    >
      {options.map((one) => (
        <option key={one.href} value={one.href}>
          {one.name}
        </option>
      ))}
    </Form.Select>
  );
}
