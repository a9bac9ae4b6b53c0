'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { Folded } from '@/ui/folded';
import { day } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { SupplyLine } from './server/supply-outlook';
import { TermsForm } from './terms-form';
import '@/core/words/en/reorder';

/** Gas used beyond what would have done is said from here on. */
const WORTH_SAYING = 1.05;

interface Props {
  lines: readonly SupplyLine[];
  mayKeep: boolean;
}

/** Each mixture, buffer and solution: what is expected of it, what becomes of each bottle, and how it is bought. What nothing waits for is folded. */
export function SupplyTable({ lines, mayKeep }: Props) {
  const idle = lines.filter((one) => one.runs === 0 && !one.shortOn);
  const needed = lines.filter((one) => !idle.includes(one));
  return (
    <section className="sheet no-print" data-testid="supply">
      {needed.length > 0 && <Lines lines={needed} mayKeep={mayKeep} />}
      {idle.length > 0 && (
        <Folded summary={say({ code: 'reorder.others', numbers: { count: idle.length } })} testId="supply-idle">
          {() => <Lines lines={idle} mayKeep={mayKeep} />}
        </Folded>
      )}
    </section>
  );
}

function Lines({ lines, mayKeep }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <table className="table mb-0">
      <thead>
        <tr>
          <th>{say({ code: 'reorder.what' })}</th>
          <th>{say({ code: 'reorder.runs' })}</th>
          <th>{say({ code: 'reorder.left' })}</th>
          <th />
          <th>{say({ code: 'reorder.terms' })}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.name}>
            <td className="fw-semibold">{line.name}</td>
            <td>
              {line.runs === 0 ? (
                <span className="quiet">{say({ code: 'reorder.none' })}</span>
              ) : (
                say({ code: 'reorder.runsOf', numbers: { runs: line.runs, litres: amount(line.wanted) } })
              )}
              {line.gas && line.gas.shortest > 0 && line.gas.used >= WORTH_SAYING * line.gas.shortest && (
                <div className="small quiet">
                  {say({
                    code: 'reorder.gasUsed',
                    numbers: {
                      runs: line.gas.runs,
                      used: amount(line.gas.used),
                      shortest: amount(line.gas.shortest),
                      times: (line.gas.used / line.gas.shortest).toFixed(1),
                    },
                  })}
                </div>
              )}
            </td>
            <td className="small">
              {line.bottles.map((one) => (
                <div key={one.id}>
                  <Link href={`/shelf/${one.id}`}>
                    {say({ code: 'reorder.bottle', numbers: { lot: one.lot, left: amount(one.left) } })}
                  </Link>{' '}
                  <Becomes bottle={one} />
                </div>
              ))}
            </td>
            <td className="text-nowrap">
              {line.shortOn ? (
                <VerdictMark state="cannotTell" word={say({ code: 'reorder.shortOn', numbers: { on: day(line.shortOn) } })} />
              ) : (
                <span className="quiet">{say({ code: 'reorder.enough' })}</span>
              )}
            </td>
            <td className="small">
              {line.terms.supplier}
              {line.terms.supplier && ', '}
              {line.terms.leadDays} d
              {mayKeep && open !== line.name && (
                <Button size="sm" variant="plain" className="ms-2" onClick={() => setOpen(line.name)}>
                  {say({ code: 'reorder.change' })}
                </Button>
              )}
              {open === line.name && <TermsForm name={line.name} terms={line.terms} done={() => setOpen(null)} />}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Doses of buffers are millilitres: a litre has to show them. */
const amount = (litres: number) => litres.toFixed(litres < 1 ? 3 : 1);

function Becomes({ bottle: { usedUpOn, wasted, until } }: { bottle: SupplyLine['bottles'][number] }) {
  if (usedUpOn) return <span>{say({ code: 'reorder.usedUp', numbers: { on: day(usedUpOn) } })}</span>;
  if (wasted !== null && until)
    return (
      <span className="verdict-warn">{say({ code: 'reorder.wasted', numbers: { on: day(until), litres: amount(wasted) } })}</span>
    );
  return <span className="quiet">{say({ code: 'reorder.lasts' })}</span>;
}
