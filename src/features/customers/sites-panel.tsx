'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { endSiteAction, keepSiteAction } from './actions';
import '@/core/words/en/customers';

export interface Site {
  id: string;
  name: string;
  address: string;
  instruments: number;
}

/** Where a customer has its instruments. */
export function SitesPanel({ customerId, sites, mayKeep }: { customerId: string; sites: Site[]; mayKeep: boolean }) {
  const [open, setOpen] = useState<string | null>(null);
  const close = () => setOpen(null);
  return (
    <section className="sheet mt-3" data-testid="sites">
      <h2>{say({ code: 'site.title' })}</h2>
      {sites.length === 0 && open === null && <p className="quiet">{say({ code: 'site.none' })}</p>}
      {sites.map((site) =>
        open === site.id ? (
          <SiteForm key={site.id} customerId={customerId} site={site} onDone={close} />
        ) : (
          <div key={site.id} className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
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
              <Button variant="plain" size="sm" onClick={() => setOpen(site.id)}>
                {say({ code: 'customer.correct' })}
              </Button>
            )}
          </div>
        ),
      )}
      {mayKeep &&
        (open === 'new' ? (
          <SiteForm customerId={customerId} onDone={close} />
        ) : (
          <Button variant="plain" size="sm" onClick={() => setOpen('new')}>
            {say({ code: 'site.add' })}
          </Button>
        ))}
    </section>
  );
}

function SiteForm({ customerId, site, onDone }: { customerId: string; site?: Site; onDone: () => void }) {
  const router = useRouter();
  const [name, setName] = useState(site?.name ?? '');
  const [address, setAddress] = useState(site?.address ?? '');
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const after = (result: Awaited<ReturnType<typeof attempt>>) => {
    if (result.ok) {
      router.refresh();
      return onDone();
    }
    setProblems(result.fields);
    setMessage(messageBeside(result));
  };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    after(await attempt(() => keepSiteAction({ customerId, ...(site ? { siteId: site.id } : {}), name, address })));
  };
  return (
    <form onSubmit={send} noValidate className="mb-2" data-testid="site-form">
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
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2">
        <Button type="submit" size="sm">
          {say({ code: 'customer.save' })}
        </Button>
        {site && (
          <Button
            variant="outline-danger"
            size="sm"
            onClick={async () => after(await attempt(() => endSiteAction({ siteId: site.id })))}
          >
            {say({ code: 'site.end' })}
          </Button>
        )}
        <Button variant="plain" size="sm" onClick={onDone}>
          {say({ code: 'customer.leave' })}
        </Button>
      </div>
    </form>
  );
}
