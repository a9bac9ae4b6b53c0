'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { SERVICES, type ServiceId } from '@/core/instrument/service';
import { POSITION_KINDS, type PositionKind } from '@/core/money/position';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { WhyForm } from '@/ui/why-form';
import { endPriceAction, keepPriceAction } from './actions';
import type { Price } from './server/prices';
import '@/core/words/en/money';
import '@/core/words/en/services';

const EMPTY = { what: 'service' as PositionKind, service: 'calibrate' as ServiceId, name: '', partNumber: '', amount: '' };
type Given = typeof EMPTY & { priceId?: string; version?: number };

/** What services and parts cost here: made, changed, ended; offers and jobs keep what they were made with. */
export function PriceTable({ prices, currency, mayKeep }: { prices: readonly Price[]; currency: string; mayKeep: boolean }) {
  const [changing, setChanging] = useState<Given | null>(null);
  return (
    <section className="sheet" data-testid="prices">
      {prices.length === 0 && <p className="quiet">{say({ code: 'price.none' })}</p>}
      <table className="table tight-acts">
        <tbody>
          {prices.map((one) => (
            <tr key={one.id}>
              <td className="quiet">{say({ code: `price.what.${one.what}` })}</td>
              <td>
                <span className={one.endedAt ? 'struck' : ''}>{one.name}</span>{' '}
                {one.partNumber && <span className="mono small">{one.partNumber}</span>}
                {one.endedAt && (
                  <span className="d-block small quiet">{say({ code: 'price.wasEnded', numbers: { why: one.endedWhy } })}</span>
                )}
              </td>
              <td className="mono text-end">
                {one.amount} {currency}
              </td>
              <td>
                {mayKeep && !one.endedAt && (
                  <>
                    <Button
                      size="sm"
                      variant="plain"
                      onClick={() =>
                        setChanging({ ...one, service: one.service ?? 'calibrate', priceId: one.id, version: one.version })
                      }
                    >
                      {say({ code: 'price.change' })}
                    </Button>
                    <WhyForm
                      testId={`end-${one.id}`}
                      title={say({ code: 'price.end' })}
                      label={say({ code: 'price.why' })}
                      act={async (why) => saidOfWhy(await attempt(() => endPriceAction({ priceId: one.id, why })))}
                    />
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {mayKeep && (
        <PriceForm
          key={changing?.priceId ?? 'new'}
          given={changing ?? EMPTY}
          currency={currency}
          onDone={() => setChanging(null)}
        />
      )}
    </section>
  );
}

function PriceForm({ given, currency, onDone }: { given: Given; currency: string; onDone: () => void }) {
  const router = useRouter();
  const [price, setPrice] = useState(given);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const { priceId, version, what, service, name, partNumber, amount } = price;
    const result = await attempt(() =>
      keepPriceAction({
        ...(priceId ? { priceId, version } : {}),
        what,
        service: what === 'service' ? service : null,
        name,
        partNumber,
        amount,
      }),
    );
    setProblems(result.ok ? {} : { name: Object.keys(result.fields).length ? '' : result.message, ...result.fields });
    if (!result.ok) return;
    setPrice(EMPTY);
    onDone();
    router.refresh();
  };
  const field = (name: 'name' | 'partNumber' | 'amount', label: string, width: string) => (
    <Field label={label} problem={problems[name]}>
      <FormControl
        style={{ width }}
        className={name === 'name' ? '' : 'mono'}
        value={price[name]}
        onChange={(event) => setPrice({ ...price, [name]: event.target.value })}
      />
    </Field>
  );
  return (
    <form className="d-flex flex-wrap gap-3 align-items-end" onSubmit={send} noValidate>
      <Field label={say({ code: given.priceId ? 'price.change' : 'price.add' })}>
        <FormSelect value={price.what} onChange={(event) => setPrice({ ...price, what: event.target.value as PositionKind })}>
          {POSITION_KINDS.map((one) => (
            <option key={one} value={one}>
              {say({ code: `price.what.${one}` })}
            </option>
          ))}
        </FormSelect>
      </Field>
      {price.what === 'service' && (
        <Field label={say({ code: 'price.what.service' })} problem={problems.service}>
          <FormSelect
            value={price.service}
            onChange={(event) => setPrice({ ...price, service: event.target.value as ServiceId })}
          >
            {SERVICES.map((one) => (
              <option key={one} value={one}>
                {say({ code: `service.${one}` })}
              </option>
            ))}
          </FormSelect>
        </Field>
      )}
      {field('name', say({ code: 'price.name' }), '16rem')}
      {field('partNumber', say({ code: 'price.partNumber' }), '9rem')}
      {field('amount', say({ code: 'price.amount', numbers: { currency } }), '8rem')}
      <Button type="submit" className="mb-2">
        {say({ code: 'price.keep' })}
      </Button>
    </form>
  );
}
