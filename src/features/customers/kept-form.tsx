'use client';
import { say } from '@/core/words/say';
import type { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import { FormFoot } from '@/ui/form-foot';
import '@/core/words/en/customers';

/** What a form of a customer's page does with an answer: good, the page is drawn anew and the form closes; else it says beside which field. */
export function useKept(onDone: () => void) {
  const { problems, message, send: sent } = useSent();
  const send = async (call: () => ReturnType<typeof attempt>) => {
    if (await sent(call)) onDone();
  };
  return { problems, message, send };
}

interface Props {
  message: string;
  onLeave: () => void;
  /** How one that is there ends. */
  end?: { label: string; act: () => void } | undefined;
}

/** The foot of such a form. */
export const KeptFoot = (props: Props) => (
  <FormFoot {...props} save={say({ code: 'customer.save' })} leave={say({ code: 'customer.leave' })} />
);
