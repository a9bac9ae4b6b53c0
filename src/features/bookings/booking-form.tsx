'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside, type ClientResult } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { day } from '@/ui/format';
import '@/core/words/en/bookings';

export interface BookingDraft {
  arrivesOn: string;
  wholeWeek: boolean;
  contact: string;
  note: string;
  assetIds: string[];
}
export interface Bookable {
  id: string;
  serial: string;
  tag: string;
  item: string;
  nextDue: string | null;
  /** The booking that it stands in. */
  booked: string | null;
}

/** Day or week, and which instruments. A full week is said beside the day; who may take it all the same is asked. */
export function BookingForm({
  draft,
  own,
  instruments,
  mayOver = false,
  send,
  back,
}: {
  draft: BookingDraft;
  /** The booking that is changed. */
  own?: string;
  instruments: readonly Bookable[];
  mayOver?: boolean;
  send: (draft: BookingDraft & { over: boolean }) => Promise<ClientResult<unknown>>;
  /** Where to go when it is kept. */
  back: string;
}) {
  const router = useRouter();
  const [given, setGiven] = useState(draft);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const [full, setFull] = useState(false);
  const free = (one: Bookable) => one.booked === null || one.booked === own;
  const choose = (ids: string[]) => setGiven({ ...given, assetIds: ids });
  const keep = async (over: boolean) => {
    const result = await attempt(() => send({ ...given, over }));
    if (result.ok) return router.push(back);
    setProblems(result.fields);
    setMessage(messageBeside(result));
    setFull(result.status === 409 && Boolean(result.fields.arrivesOn));
  };
  const dueUntil = instruments.filter((one) => free(one) && one.nextDue && given.arrivesOn && one.nextDue <= given.arrivesOn);
  return (
    <form
      className="sheet"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void keep(false);
      }}
    >
      <div className="row">
        <div className="col-md-4">
          <Field label={say({ code: 'booking.day' })} problem={problems.arrivesOn}>
            <DayInput value={given.arrivesOn} onChange={(arrivesOn) => setGiven({ ...given, arrivesOn })} />
          </Field>
        </div>
        <div className="col-md-4 d-flex align-items-end">
          <Form.Check
            id="whole-week"
            className="mb-3"
            label={say({ code: 'booking.wholeWeek' })}
            checked={given.wholeWeek}
            onChange={(event) => setGiven({ ...given, wholeWeek: event.target.checked })}
          />
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'booking.contact' })} problem={problems.contact}>
            <Form.Control value={given.contact} onChange={(event) => setGiven({ ...given, contact: event.target.value })} />
          </Field>
        </div>
      </div>
      <fieldset>
        <legend className="fs-6">{say({ code: 'booking.which' })}</legend>
        {instruments.length === 0 && <p className="quiet">{say({ code: 'booking.whichNone' })}</p>}
        {dueUntil.length > 0 && (
          <Button
            variant="plain"
            size="sm"
            className="mb-2"
            onClick={() => choose([...new Set([...given.assetIds, ...dueUntil.map((one) => one.id)])])}
          >
            {say({ code: 'booking.chooseDue' })} ({dueUntil.length})
          </Button>
        )}
        <div className="booking-choice">
          {instruments.map((one) => (
            <Form.Check
              key={one.id}
              id={`book-${one.id}`}
              disabled={!free(one)}
              checked={given.assetIds.includes(one.id)}
              onChange={(event) =>
                choose(event.target.checked ? [...given.assetIds, one.id] : given.assetIds.filter((id) => id !== one.id))
              }
              label={
                <>
                  {one.item} <span className="mono">{one.serial}</span> {one.tag && <span className="mono quiet">{one.tag}</span>}{' '}
                  <span className="quiet">
                    {free(one)
                      ? one.nextDue
                        ? say({ code: 'booking.dueOn', numbers: { day: day(one.nextDue) } })
                        : say({ code: 'booking.dueNever' })
                      : say({ code: 'booking.isBooked' })}
                  </span>
                </>
              }
            />
          ))}
        </div>
        {problems.assetIds && (
          <p className="field-problem" role="alert">
            {problems.assetIds}
          </p>
        )}
      </fieldset>
      <Field label={say({ code: 'booking.note' })} problem={problems.note}>
        <Form.Control value={given.note} onChange={(event) => setGiven({ ...given, note: event.target.value })} />
      </Field>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2">
        <Button type="submit">{say({ code: own ? 'booking.keepChange' : 'booking.keep' })}</Button>
        {full && mayOver && (
          <Button variant="outline-danger" onClick={() => keep(true)}>
            {say({ code: 'booking.anyway' })}
          </Button>
        )}
      </div>
    </form>
  );
}
