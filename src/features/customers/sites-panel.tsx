'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { endSiteAction, keepSiteAction } from './actions';
import { KeptFoot, useKept } from './kept-form';
import { KeptList } from './kept-list';
import '@/core/words/en/customers';

export interface Site {
  id: string;
  name: string;
  address: string;
  instruments: number;
}

/** Where a customer has its instruments. */
export function SitesPanel({ customerId, sites, mayKeep }: { customerId: string; sites: Site[]; mayKeep: boolean }) {
  return (
    <KeptList
      title={say({ code: 'site.title' })}
      none={say({ code: 'site.none' })}
      add={say({ code: 'site.add' })}
      testId="sites"
      all={sites}
      mayKeep={mayKeep}
      form={(site, done) => <SiteForm customerId={customerId} {...(site ? { site } : {})} onDone={done} />}
      line={(site, correct) => (
        <div className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
          <strong>{site.name}</strong>
          {site.address && (
            <span className="quiet" style={{ whiteSpace: 'pre-line' }}>
              {site.address}
            </span>
          )}
          <Link href={`/assets?q=${encodeURIComponent(site.name)}`}>
            {say({ code: 'site.line', numbers: { count: site.instruments } })}
          </Link>
          {mayKeep && (
            <Button variant="plain" size="sm" onClick={correct}>
              {say({ code: 'customer.correct' })}
            </Button>
          )}
        </div>
      )}
    />
  );
}

function SiteForm({ customerId, site, onDone }: { customerId: string; site?: Site; onDone: () => void }) {
  const [name, setName] = useState(site?.name ?? '');
  const [address, setAddress] = useState(site?.address ?? '');
  const { problems, message, send } = useKept(onDone);
  const save = (event: React.FormEvent) => {
    event.preventDefault();
    void send(() => keepSiteAction({ customerId, ...(site ? { siteId: site.id } : {}), name, address }));
  };
  return (
    <form onSubmit={save} noValidate className="mb-2" data-testid="site-form">
      <div className="row">
        <div className="col-md-5">
          <Field label={say({ code: 'customer.name' })} problem={problems.name}>
            <Form.Control autoFocus autoComplete="off" value={name} onChange={(event) => setName(event.target.value)} />
          </Field>
        </div>
        <div className="col-md-7">
          <Field label={say({ code: 'customer.address' })} problem={problems.address}>
            <Form.Control as="textarea" rows={2} value={address} onChange={(event) => setAddress(event.target.value)} />
          </Field>
        </div>
      </div>
      {site && site.instruments > 0 && <p className="quiet small mb-2">{say({ code: 'site.endHow' })}</p>}
      <KeptFoot
        message={message}
        onLeave={onDone}
        end={site && { label: say({ code: 'site.end' }), act: () => void send(() => endSiteAction({ siteId: site.id })) }}
      />
    </form>
  );
}
