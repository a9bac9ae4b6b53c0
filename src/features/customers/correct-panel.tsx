'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { correctCustomerAction } from './actions';
import { CustomerForm } from './customer-form';
import type { CustomerInput } from './customer-schema';
import '@/core/words/en/customers';

/** Everything about a customer, corrected where it stands. Whoever saves second sees the first one's words and chooses. */
export function CorrectPanel({ customerId, version, on }: { customerId: string; version: number; on: CustomerInput }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  // What was on the screen when the form was opened; after a conflict what is on record by then.
  const [seen, setSeen] = useState(version);
  const [quicker, setQuicker] = useState(false);
  const [refused, setRefused] = useState(0);
  const using = quicker ? version : seen;
  if (!open)
    return (
      <Button
        variant="plain"
        onClick={() => {
          setSeen(version);
          setQuicker(false);
          setOpen(true);
        }}
      >
        {say({ code: 'customer.correct' })}
      </Button>
    );
  return (
    <div className="mt-2">
      <CustomerForm
        initial={on}
        act={say({ code: 'customer.save' })}
        except={customerId}
        send={(input) => correctCustomerAction({ ...input, customerId, version: using })}
        onDone={() => {
          setOpen(false);
          router.refresh();
        }}
        onLeave={() => setOpen(false)}
        theirs={quicker ? on : undefined}
        // Until what is on record now has come: saved before, it would only be refused once more.
        waiting={quicker && version === refused}
        onConflict={() => {
          setQuicker(true);
          setRefused(using);
          router.refresh();
        }}
      />
    </div>
  );
}
