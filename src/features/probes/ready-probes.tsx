'use client';
import type { Traits } from '@/core/instrument/traits';
import { useState } from 'react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { day } from '@/ui/format';
import { DayOf } from '@/ui/zone';
import { VerdictMark } from '@/ui/verdict-mark';
import { exchangeProbeAction } from './actions';
import type { ProbeOnShelf } from './server';

interface Host {
  id: string;
  serial: string;
  maker: string;
  model: string;
  customerId: string;
  traits: Traits;
}

/** The shelf of ready probes: calibrated here, good until a day, taken out into the field and exchanged there. History follows the probe. */
export function ReadyProbes({
  probes,
  hosts,
  today,
  may,
}: {
  probes: ProbeOnShelf[];
  hosts: Host[];
  today: string;
  may: boolean;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const groups = [
    {
      title: 'Ready on the shelf',
      rows: probes.filter((one) => stateOf(one, today) === 'ready'),
      empty: 'No probe stands ready. Calibrate one: it stands here until its day.',
    },
    {
      title: 'To be calibrated',
      rows: probes.filter((one) => stateOf(one, today) === 'notReady'),
      empty: 'Every probe in the house is ready.',
    },
    { title: 'Out in a meter', rows: probes.filter((one) => stateOf(one, today) === 'out'), empty: 'None is out.' },
    { title: 'Analogue cells', rows: probes.filter((one) => stateOf(one, today) === 'cell'), empty: 'No cells on record.' },
  ];
  return groups.map((group) => (
    <section className="sheet mb-3" key={group.title} aria-label={group.title}>
      <h2>
        {group.title} <span className="quiet fs-6 fw-normal">{group.rows.length || ''}</span>
      </h2>
      {group.rows.length === 0 ? (
        <p className="quiet mb-0">{group.empty}</p>
      ) : (
        <table className="table mb-0">
          <tbody>
            {group.rows.map((probe) => (
              <ProbeLine
                key={probe.id}
                probe={probe}
                today={today}
                may={may}
                open={open === probe.id}
                toggle={() => setOpen(open === probe.id ? null : probe.id)}
                hosts={hosts.filter(
                  (host) =>
                    host.customerId === probe.customerId &&
                    host.id !== probe.hostId &&
                    (host.traits.analoguePair ?? false) === (probe.part === 'cell'),
                )}
              />
            ))}
          </tbody>
        </table>
      )}
    </section>
  ));
}

function stateOf(probe: ProbeOnShelf, today: string): 'ready' | 'notReady' | 'out' | 'cell' {
  if (probe.part === 'cell') return 'cell';
  if (probe.hostId) return 'out';
  return probe.status === 'inUse' && probe.readyUntil && probe.readyUntil >= today ? 'ready' : 'notReady';
}

function ProbeLine({
  probe,
  today,
  may,
  open,
  toggle,
  hosts,
}: {
  probe: ProbeOnShelf;
  today: string;
  may: boolean;
  open: boolean;
  toggle: () => void;
  hosts: Host[];
}) {
  const over = probe.readyUntil !== null && probe.readyUntil < today;
  return (
    <>
      <tr data-testid={`probe-${probe.serial}`}>
        <td>
          <Link className="row-link fw-semibold" href={`/assets/${probe.id}/probe`}>
            {probe.maker} {probe.model} <span className="mono">{probe.serial}</span>
          </Link>
          <span className="d-block small quiet">{probe.customer}</span>
        </td>
        <td>
          {probe.part === 'cell' ? (
            <span className="quiet">calibrated as a pair with its meter</span>
          ) : probe.readyUntil ? (
            <VerdictMark
              state={over ? 'outside' : 'within'}
              word={`${over ? 'was ready' : 'ready'} until ${day(probe.readyUntil)}`}
            />
          ) : (
            <VerdictMark state="notMeasured" word={probe.status === 'outOfService' ? 'out of service' : 'not ready'} />
          )}
        </td>
        <td>
          {probe.host ? (
            <>
              in <Link href={`/assets/${probe.hostId}`}>{probe.host}</Link> {probe.place && `, ${probe.place}`}
              <span className="d-block small quiet">since {probe.since && <DayOf at={probe.since} />}</span>
            </>
          ) : (
            <span className="quiet">in the workshop</span>
          )}
        </td>
        <td className="mono text-end">{probe.slopePercent === null ? '' : `${probe.slopePercent.toFixed(1)} %`}</td>
        <td className="text-end">
          {may && (
            <Button variant="plain" size="sm" aria-expanded={open} onClick={toggle}>
              {probe.host ? 'Move or take out' : 'Put into a meter'}
            </Button>
          )}
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={5}>
            <ExchangeForm probe={probe} hosts={hosts} today={today} done={toggle} />
          </td>
        </tr>
      )}
    </>
  );
}

function ExchangeForm({ probe, hosts, today, done }: { probe: ProbeOnShelf; hosts: Host[]; today: string; done: () => void }) {
  const router = useRouter();
  const [given, setGiven] = useState({ hostId: hosts[0]?.id ?? '', place: '', on: today, note: '' });
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const answer = await attempt(() => exchangeProbeAction({ ...given, probeId: probe.id, hostId: given.hostId || null }));
    setBusy(false);
    if (!answer.ok) return setProblem(answer);
    done();
    router.refresh();
  };
  const set = (change: Partial<typeof given>) => setGiven({ ...given, ...change });
  return (
    <form className="row g-3 align-items-end" onSubmit={send}>
      <div className="col-sm-4">
        <Field label="Meter" problem={problem?.fields.hostId}>
          <Form.Select value={given.hostId} onChange={(event) => set({ hostId: event.target.value })}>
            {hosts.map((host) => (
              <option key={host.id} value={host.id}>
                {host.maker} {host.model} {host.serial}
              </option>
            ))}
            <option value="">none: back to the workshop</option>
          </Form.Select>
        </Field>
      </div>
      <div className="col-sm-3">
        <Field label="Place" problem={problem?.fields.place}>
          <Form.Control
            value={given.place}
            placeholder="pond 3, inlet"
            onChange={(event) => set({ place: event.target.value })}
          />
        </Field>
      </div>
      <div className="col-sm-2">
        <Field label="On" problem={problem?.fields.on}>
          <DayInput value={given.on} onChange={(value) => set({ on: value })} />
        </Field>
      </div>
      <div className="col-sm-3">
        <Button type="submit" disabled={busy} className="mb-2">
          Record the exchange
        </Button>
      </div>
      {problem && (
        <p className="field-problem mb-0" role="alert">
          {problem.message}
        </p>
      )}
      {probe.part === 'cell' && (
        <p className="caution mb-0">A new pair of cell and meter asks for a calibration before it is used.</p>
      )}
    </form>
  );
}
