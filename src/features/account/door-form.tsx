import type { FormEventHandler, ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { useReady } from '@/ui/use-ready';
import '@/core/words/en/account';

/** A form beside the door, for a new password: what is asked, or, once it is done, what is said; and the way back. */
export function DoorForm({
  submit,
  busy,
  done,
  message,
  act,
  children,
}: {
  submit: FormEventHandler;
  busy: boolean;
  /** What is said instead of the form. */
  done: string;
  message: string;
  act: string;
  children: ReactNode;
}) {
  const ready = useReady();
  return (
    <Form method="post" onSubmit={submit} noValidate style={{ width: 'min(24rem, 100%)' }}>
      <h1 className="mb-3">{say({ code: 'forgotten.title' })}</h1>
      {done ? (
        <p role="status">{done}</p>
      ) : (
        <>
          {children}
          {message && (
            <p className="field-problem" role="alert">
              {message}
            </p>
          )}
          <Button type="submit" disabled={busy || !ready} className="mt-2 w-100">
            {act}
          </Button>
        </>
      )}
      <p className="mt-3 mb-0">
        <Link href="/sign-in">{say({ code: 'forgotten.back' })}</Link>
      </p>
    </Form>
  );
}
