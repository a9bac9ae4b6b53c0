import { useEffect, useState } from 'react';
import { addDays, format } from 'date-fns';
import { attempt } from '@/platform/client/result';
import { findDueAction } from './actions';

type Found = Extract<Awaited<ReturnType<typeof findDueAction>>, { ok: true }>['value'];
/** So long before it is due an instrument is brought along. */
const AHEAD_DAYS = 30;

/** What a customer may bring today: their instruments that are due and not in the house yet. */
export function useDue(customerId: string | null, today: string): Found {
  const [found, setFound] = useState<{ of: string; due: Found }>({ of: '', due: [] });
  useEffect(() => {
    if (!customerId) return undefined;
    let current = true;
    void attempt(() => findDueAction({ customerId, until: format(addDays(new Date(today), AHEAD_DAYS), 'yyyy-MM-dd') })).then(
      (result) => {
        if (current && result.ok) setFound({ of: customerId, due: result.value });
      },
    );
    return () => {
      current = false;
    };
  }, [customerId, today]);
  return found.of === customerId ? found.due : [];
}
