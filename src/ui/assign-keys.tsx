'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { say } from '@/core/words/say';
import '@/core/words/en/assign';

// Opened once in a computer's life: fetched then.
const AssignDialog = dynamic(() => import('./assign-dialog').then((module) => module.AssignDialog), { ssr: false });

/** Opens the dialog in which a foot switch or a number pad is taught. */
export function AssignKeys() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn btn-link btn-sm p-0" onClick={() => setOpen(true)}>
        {say({ code: 'assign.open' })}
      </button>
      {open && <AssignDialog close={() => setOpen(false)} />}
    </>
  );
}
