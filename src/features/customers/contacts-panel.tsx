'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { CONTACT_PURPOSES, type ContactPurpose } from '@/core/stored/house';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import { dropContactAction, keepContactAction } from './actions';
import { BlankPerson } from './blank-person';
import { KeptFoot, useKept } from './kept-form';
import { KeptList } from './kept-list';
import '@/core/words/en/customers';

export interface Contact {
  id: string;
  name: string;
  email: string;
  phone: string;
  purposes: ContactPurpose[];
}
const EMPTY: Omit<Contact, 'id'> = { name: '', email: '', phone: '', purposes: [] };

interface Props {
  customerId: string;
  contacts: Contact[];
  /** Taken away, and not blanked. */
  former: { id: string; name: string }[];
  mayKeep: boolean;
}

/** Who is there for what. */
export function ContactsPanel({ customerId, contacts, former, mayKeep }: Props) {
  return (
    <KeptList
      title={say({ code: 'contact.title' })}
      none={say({ code: 'contact.none' })}
      add={say({ code: 'contact.add' })}
      testId="contacts"
      all={contacts}
      mayKeep={mayKeep}
      form={(contact, done) => <ContactForm customerId={customerId} {...(contact ? { contact } : {})} onDone={done} />}
      line={(contact, correct) => (
        <div className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
          <strong>{contact.name}</strong>
          <span>{contact.email}</span>
          <span>{contact.phone}</span>
          <span className="quiet small">{contact.purposes.map((one) => say({ code: `contact.${one}` })).join(', ')}</span>
          {mayKeep && (
            <>
              <Button variant="plain" size="sm" onClick={correct}>
                {say({ code: 'customer.correct' })}
              </Button>
              {/* A file to be given to the person, not a page. */}
              <a className="small" href={`/customers/${customerId}/contacts/${contact.id}/data`} download>
                {say({ code: 'contact.held' })}
              </a>
              <BlankPerson customerId={customerId} contactId={contact.id} />
            </>
          )}
        </div>
      )}
      after={
        mayKeep &&
        former.length > 0 && (
          <>
            <p className="quiet small mb-1">{say({ code: 'contact.former' })}</p>
            {former.map(({ id, name }) => (
              <div key={id} className="d-flex flex-wrap gap-3 align-items-baseline mb-2" data-testid="former-contact">
                <span>{name}</span>
                <BlankPerson customerId={customerId} contactId={id} />
              </div>
            ))}
          </>
        )
      }
    />
  );
}

function ContactForm({ customerId, contact, onDone }: { customerId: string; contact?: Contact; onDone: () => void }) {
  const [given, setGiven] = useState(contact ?? EMPTY);
  const { problems, message, send } = useKept(onDone);
  const save = (event: React.FormEvent) => {
    event.preventDefault();
    const { name, email, phone, purposes } = given;
    void send(() =>
      keepContactAction({ customerId, ...(contact ? { contactId: contact.id } : {}), name, email, phone, purposes }),
    );
  };
  const text = (name: 'name' | 'email' | 'phone', label: string) => (
    <Field label={label} problem={problems[name]}>
      <Form.Control
        autoFocus={name === 'name'}
        autoComplete="off"
        value={given[name]}
        onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
      />
    </Field>
  );
  return (
    <form onSubmit={save} noValidate className="mb-2" data-testid="contact-form">
      <div className="row">
        <div className="col-md-4">{text('name', say({ code: 'customer.name' }))}</div>
        <div className="col-md-4">{text('email', say({ code: 'customer.email' }))}</div>
        <div className="col-md-4">{text('phone', say({ code: 'customer.phone' }))}</div>
      </div>
      <div className="d-flex gap-3 mb-2">
        <span>{say({ code: 'contact.for' })}</span>
        {CONTACT_PURPOSES.map((one) => (
          <Form.Check
            key={one}
            id={`${contact?.id ?? 'new'}-${one}`}
            label={say({ code: `contact.${one}` })}
            checked={given.purposes.includes(one)}
            onChange={(event) =>
              setGiven({
                ...given,
                purposes: CONTACT_PURPOSES.filter((each) =>
                  each === one ? event.target.checked : given.purposes.includes(each),
                ),
              })
            }
          />
        ))}
      </div>
      <KeptFoot
        message={message}
        onLeave={onDone}
        end={
          contact && {
            label: say({ code: 'contact.drop' }),
            act: () => void send(() => dropContactAction({ contactId: contact.id })),
          }
        }
      />
    </form>
  );
}
