'use client';
import { useCallback, useEffect, useState } from 'react';
import { Link } from '@/ui/link';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { addDays, format } from 'date-fns';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useKept } from '@/ui/use-kept';
import { Field } from '@/ui/field';
import { KeyStrip } from '@/ui/key-strip';
import { findAssetsAction, receiveAction } from './actions';
import { CustomerPicker, type ChosenCustomer } from './customer-picker';
import { InstrumentLine, newLine } from './instrument-line';
import type { Line } from './line';
import { NewAsset, type ModelChoice } from './new-asset';
import { PromiseHint, type Promised } from '@/features/plan';
import { useSearch } from '@/platform/client/use-search';
import { sameForAll } from './same-for-all';
import { useDue } from './use-due';
import '@/core/words/en/bookings';
import '@/core/words/en/receipts';
import '@/core/words/en/tickets';

/** A receipt that is on record, to which more is added. */
export interface Onto {
  receiptId: string;
  number: string;
  customer: ChosenCustomer;
}
/** What was announced: the receipt begins filled in. */
export interface BookedArrival {
  bookingId: string;
  customer: ChosenCustomer;
  contact: string;
  assets: Parameters<typeof newLine>[0][];
}
interface Props {
  models: ModelChoice[];
  today: string;
  promised: Promised;
  serial?: string;
  onto?: Onto | undefined;
  booked?: BookedArrival | undefined;
}
interface Draft {
  customer: ChosenCustomer | null;
  contact: string;
  lines: Line[];
}
interface Done {
  receiptId: string;
  number: string;
  tickets: { id: string; code: string }[];
}

/** Taking instruments in: customer, instruments by serial or tag, a look at each, and a ticket each comes out. What was typed survives a reload. */
export function ReceiveForm({ models, today, promised, serial = '', onto, booked }: Props) {
  const promise = format(addDays(new Date(today), 5), 'yyyy-MM-dd');
  const kept = onto ? `receive/${onto.receiptId}` : booked ? `receive/${booked.bookingId}` : 'receive';
  const [draft, setDraft, clear] = useKept<Draft>(kept, {
    customer: onto?.customer ?? booked?.customer ?? null,
    contact: booked?.contact ?? '',
    lines: booked?.assets.map((asset) => newLine(asset, promise)) ?? [],
  });
  const [text, setText] = useState(serial);
  const [making, setMaking] = useState<string | null>(null);
  const [failure, setFailure] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const [busy, setBusy] = useState(false);
  const [done, setDone] = useState<Done | null>(null);
  const { hits, searched, problem } = useSearch(
    text,
    useCallback((typed: string) => findAssetsAction({ text: typed }), []),
  );
  const due = useDue(draft.customer?.id ?? null, today);
  const wanted = due.filter((asset) => !draft.lines.some((line) => line.assetId === asset.id));
  const addAllDue = () => setDraft({ ...draft, lines: [...draft.lines, ...wanted.map((asset) => newLine(asset, promise))] });

  const add = (asset: (typeof hits)[number]) => {
    const customer = draft.customer ?? { id: asset.customerId, name: asset.customer, agreesDue: asset.agreesDue };
    if (customer.id !== asset.customerId)
      return setFailure({
        message: `${asset.serial} belongs to ${asset.customer}. One receipt is for one customer: finish this one first.`,
        fields: {},
      });
    if (asset.openTicket)
      return setFailure({ message: `${asset.serial} is in the house already with ticket ${asset.openTicket}.`, fields: {} });
    setFailure(null);
    setText('');
    if (!draft.lines.some((line) => line.assetId === asset.id))
      setDraft({ ...draft, customer, lines: [...draft.lines, newLine(asset, promise)] });
  };
  const addMade = async (serial: string, assetId: string) => {
    setMaking(null);
    const result = await attempt(() => findAssetsAction({ text: serial }));
    const made = result.ok ? result.value.find((hit) => hit.id === assetId) : undefined;
    if (made) add(made);
  };
  const submit = async () => {
    setBusy(true);
    const result = await attempt(() =>
      receiveAction({
        customerId: draft.customer?.id ?? '',
        contact: draft.contact,
        instruments: draft.lines,
        ...(onto ? { receiptId: onto.receiptId } : {}),
        ...(booked ? { bookingId: booked.bookingId } : {}),
      }),
    );
    setBusy(false);
    if (!result.ok) return setFailure({ message: result.message, fields: result.fields });
    clear();
    setDone(result.value);
  };

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key !== 'Enter' || !event.ctrlKey || busy || done || draft.lines.length === 0) return;
      event.preventDefault();
      void submit();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
  if (done)
    return (
      <Received
        done={done}
        onMore={() => {
          setDone(null);
          setFailure(null);
        }}
      />
    );
  const onEnter = (event: React.KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const exact =
      hits.find((hit) => [hit.serial, hit.tag].some((code) => code.toUpperCase() === text.trim().toUpperCase())) ??
      (hits.length === 1 ? hits[0] : undefined);
    if (exact) add(exact);
  };
  return (
    <>
      <div className="sheet">
        {onto ? (
          <p className="mb-0" data-testid="adds-to">
            <strong>{onto.customer.name}.</strong> {say({ code: 'receipt.addTo', numbers: { number: onto.number } })}{' '}
            <Link href="/receive">{say({ code: 'receipt.addLeave' })}</Link>
          </p>
        ) : booked ? (
          <p className="mb-0" data-testid="booked">
            <strong>{say({ code: 'booking.from', numbers: { customer: booked.customer.name } })}</strong>{' '}
            <Link href="/receive">{say({ code: 'booking.leave' })}</Link>
          </p>
        ) : (
          <CustomerPicker chosen={draft.customer} onChoose={(customer) => setDraft({ ...draft, customer, lines: [] })} />
        )}
        {draft.customer && !onto && (
          <Field label="Who brings it">
            <Form.Control
              value={draft.contact}
              onChange={(event) => setDraft({ ...draft, contact: event.target.value })}
              style={{ maxWidth: '24rem' }}
            />
          </Field>
        )}
      </div>
      <div className="sheet mb-3">
        {making !== null && draft.customer ? (
          <NewAsset
            serial={making}
            customerId={draft.customer.id}
            models={models}
            onMade={(id) => addMade(making, id)}
            onLeave={() => setMaking(null)}
          />
        ) : (
          <>
            <Field
              label="Instrument"
              problem={problem}
              help={draft.customer ? undefined : 'Or scan the instrument: it brings its customer along.'}
            >
              <Form.Control
                className="mono"
                value={text}
                onChange={(event) => setText(event.target.value)}
                onKeyDown={onEnter}
                placeholder="Scan or type serial or tag"
                autoComplete="off"
              />
            </Field>
            <div className="d-flex flex-column gap-1">
              {hits.map((hit) => (
                <button type="button" key={hit.id} className="btn btn-plain text-start fw-normal" onClick={() => add(hit)}>
                  <strong>
                    {hit.maker} {hit.model}
                  </strong>{' '}
                  <span className="mono">{hit.serial}</span> {hit.tag && <span className="mono quiet">{hit.tag}</span>}{' '}
                  <span className="quiet">
                    {hit.customer}
                    {hit.openTicket ? ` · in the house, ${hit.openTicket}` : ''}
                  </span>
                </button>
              ))}
              {searched && !hits.some((hit) => hit.serial.toUpperCase() === text.trim().toUpperCase()) && (
                <div className="notice mt-1">
                  {hits.length ? '' : `“${text.trim()}” is not on record. `}
                  {draft.customer ? (
                    <Button
                      variant="plain"
                      size="sm"
                      onClick={() => {
                        setMaking(text.trim());
                        setText('');
                      }}
                    >
                      Make a new instrument with serial {text.trim()}
                    </Button>
                  ) : (
                    'Choose the customer first, then it can be made.'
                  )}
                </div>
              )}
            </div>
          </>
        )}
      </div>
      {(wanted.length > 0 || draft.lines.length > 1) && (
        <div className="d-flex flex-wrap gap-2 align-items-center mb-3">
          {wanted.length > 0 && (
            <Button variant="plain" onClick={addAllDue}>
              {say({ code: 'receive.due', numbers: { count: wanted.length } })}
            </Button>
          )}
          {draft.lines.length > 1 && (
            <>
              <Button variant="plain" onClick={() => setDraft({ ...draft, lines: sameForAll(draft.lines) })}>
                {say({ code: 'receive.sameForAll', numbers: { count: draft.lines.length } })}
              </Button>
              <span className="quiet small">{say({ code: 'receive.sameWhat' })}</span>
            </>
          )}
        </div>
      )}
      <PromiseHint promised={promised} today={today} lines={draft.lines} />
      {draft.lines.map((line, index) => (
        <InstrumentLine
          key={line.assetId}
          line={line}
          onChange={(next) => setDraft({ ...draft, lines: draft.lines.map((one, at) => (at === index ? next : one)) })}
          onRemove={() => setDraft({ ...draft, lines: draft.lines.filter((_one, at) => at !== index) })}
          problems={Object.fromEntries(
            Object.entries(failure?.fields ?? {}).flatMap(([path, message]) =>
              path.startsWith(`instruments[${index}].`)
                ? [[path.slice(`instruments[${index}].`.length).replace(/\.note$/, ''), message]]
                : [],
            ),
          )}
        />
      ))}
      {failure && (
        <p className="notice bad" role="alert">
          {failure.message}
        </p>
      )}
      {draft.lines.length > 0 && (
        <Button onClick={submit} disabled={busy} size="lg">
          {busy ? 'One moment …' : `Receive ${draft.lines.length} instrument${draft.lines.length > 1 ? 's' : ''}`}
        </Button>
      )}
      <KeyStrip
        keys={[
          ['/', 'scan'],
          ['Enter', 'take the instrument found'],
          ['Ctrl+Enter', 'receive'],
        ]}
      />
    </>
  );
}

function Received({ done, onMore }: { done: Done; onMore: () => void }) {
  return (
    <div className="sheet">
      <h2>Received: {done.number}</h2>
      <ul className="list-unstyled d-flex flex-column gap-2 my-3">
        {done.tickets.map((ticket) => (
          <li key={ticket.id}>
            <span className="mono fs-5 me-3">{ticket.code}</span>
            <Link className="btn btn-plain" href={`/tickets/${ticket.id}`}>
              Slip
            </Link>
          </li>
        ))}
      </ul>
      <div className="d-flex gap-2">
        <Link className="btn btn-primary" href="/">
          To the bench
        </Link>
        <Link className="btn btn-plain" href={`/receipts/${done.receiptId}`}>
          {say({ code: 'receipt.paper' })}
        </Link>
        {done.tickets.length > 1 && (
          <Link className="btn btn-plain" href={`/receipts/${done.receiptId}/slips`}>
            {say({ code: 'receipt.slips', numbers: { count: done.tickets.length } })}
          </Link>
        )}
        <Button variant="plain" onClick={onMore}>
          Receive more
        </Button>
      </div>
    </div>
  );
}
