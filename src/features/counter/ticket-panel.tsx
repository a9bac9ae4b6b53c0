'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SERVICES, type ServiceId } from '@/core/instrument/service';
import { say } from '@/core/words/say';
import { attempt, messageBeside, saidOfWhy, type ClientResult } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { WhyForm } from '@/ui/why-form';
import { cancelTicketAction, changeTicketAction, handBackUncalibratedAction } from './actions';
import '@/core/words/en/tickets';
import '@/core/words/en/services';

interface Wish {
  service: ServiceId;
  promiseOn: string | null;
  note: string;
  dueAgreed: boolean;
}

/** What may still be changed of a ticket, and how it ends without a calibration. */
export function TicketPanel({ ticketId, wish, begun }: { ticketId: string; wish: Wish; begun: boolean }) {
  return (
    <div className="no-print mb-3">
      <Change ticketId={ticketId} wish={wish} begun={begun} />
      {!begun && <End ticketId={ticketId} word="cancel" example="ticket.whyCancel" act={cancelTicketAction} />}
      <End ticketId={ticketId} word="handBack" example="ticket.whyHandBack" act={handBackUncalibratedAction} />
    </div>
  );
}

function Change({ ticketId, wish, begun }: { ticketId: string; wish: Wish; begun: boolean }) {
  const router = useRouter();
  const [given, setGiven] = useState(wish);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => changeTicketAction({ ticketId, ...given, promiseOn: given.promiseOn || null }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    router.refresh();
  };
  return (
    <details data-testid="change-ticket">
      <summary>{say({ code: 'ticket.change' })}</summary>
      <form onSubmit={send} noValidate className="mt-2">
        <p className="quiet small mb-1">{say({ code: 'ticket.changeWhat' })}</p>
        <div className="row">
          <div className="col-md-4">
            <Field label={say({ code: 'ticket.service' })} problem={problems.service}>
              <Form.Select
                disabled={begun}
                value={given.service}
                onChange={(event) => setGiven({ ...given, service: event.target.value as ServiceId })}
              >
                {SERVICES.map((one) => (
                  <option key={one} value={one}>
                    {say({ code: `service.${one}` })}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
          <div className="col-md-3">
            <Field label={say({ code: 'ticket.promise' })} problem={problems.promiseOn}>
              <DayInput value={given.promiseOn ?? ''} onChange={(value) => setGiven({ ...given, promiseOn: value })} />
            </Field>
          </div>
          <div className="col-md-5">
            <Field label={say({ code: 'ticket.note' })} problem={problems.note}>
              <Form.Control value={given.note} onChange={(event) => setGiven({ ...given, note: event.target.value })} />
            </Field>
          </div>
        </div>
        <Form.Check
          id="ticket-due-agreed"
          label={say({ code: 'ticket.dueAgreed' })}
          checked={given.dueAgreed}
          onChange={(event) => setGiven({ ...given, dueAgreed: event.target.checked })}
        />
        {message && (
          <p className="field-problem" role="alert">
            {message}
          </p>
        )}
        <Button type="submit" variant="plain" className="mt-2">
          {say({ code: 'ticket.save' })}
        </Button>
      </form>
    </details>
  );
}

interface EndProps {
  ticketId: string;
  word: 'cancel' | 'handBack';
  example: 'ticket.whyCancel' | 'ticket.whyHandBack';
  act: (input: { ticketId: string; why: string }) => Promise<ClientResult<unknown>>;
}

function End({ ticketId, word, example, act }: EndProps) {
  return (
    <WhyForm
      danger
      testId={`${word}-ticket`}
      title={say({ code: `ticket.${word}` })}
      how={say({ code: `ticket.${word}How` })}
      label={say({ code: 'ticket.why' })}
      example={say({ code: example })}
      act={async (why) => saidOfWhy(await attempt(() => act({ ticketId, why })))}
    />
  );
}
