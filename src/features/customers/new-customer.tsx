'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { createCustomerAction } from './actions';
import { CustomerForm } from './customer-form';
import '@/core/words/en/customers';

interface Made {
  id: string;
  name: string;
}

/** A new customer, at the counter while somebody waits. */
export function NewCustomer({ name, onMade, onLeave }: { name: string; onMade: (made: Made) => void; onLeave: () => void }) {
  return (
    <CustomerForm
      initial={{ name }}
      act={say({ code: 'customers.make' })}
      send={createCustomerAction}
      onDone={onMade}
      onLeave={onLeave}
    />
  );
}

/** The same in the customers' room: made, its page opens. */
export function NewCustomerPanel() {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button variant="plain" onClick={() => setOpen(true)}>
        {say({ code: 'customers.new' })}
      </Button>
    );
  return (
    <div className="sheet mb-3 w-100">
      <h2>{say({ code: 'customers.new' })}</h2>
      <NewCustomer name="" onMade={({ id }) => router.push(`/customers/${id}`)} onLeave={() => setOpen(false)} />
    </div>
  );
}
