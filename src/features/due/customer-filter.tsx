'use client';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';

export function CustomerFilter({
  customers,
  chosen,
  window,
}: {
  customers: { id: string; name: string }[];
  chosen: string;
  window: string;
}) {
  const router = useRouter();
  return (
    <Form.Select
      style={{ width: '18rem' }}
      aria-label="Customer"
      value={chosen}
      onChange={(event) =>
        router.push(`/due?${new URLSearchParams({ window, ...(event.target.value ? { customer: event.target.value } : {}) })}`)
      }
    >
      <option value="">All customers</option>
      {customers.map((customer) => (
        <option key={customer.id} value={customer.id}>
          {customer.name}
        </option>
      ))}
    </Form.Select>
  );
}
