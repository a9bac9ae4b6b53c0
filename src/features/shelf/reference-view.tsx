import { Link } from '@/ui/link';
import { costPerRun } from '@/core/supply/cost-per-run';
import { gasAvailable } from '@/core/supply/gas-available';
import { runsLeft } from '@/core/supply/runs-left';
import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { NoteCheck } from './note-check';
import { ValueAt } from './value-at';
import { MINUTES_A_RUN, ReferenceState } from './shelf-table';
import { ROLE_NAME } from './shelf-schema';
import type { ReferencePage } from './server';
import '@/core/words/en/shelf';

const WHAT = {
  accepted: 'accepted for use',
  pressure: 'gauge read',
  check: 'checked',
  state: 'state changed',
  made: 'put on the shelf',
  opened: 'opened',
  corrected: 'corrected',
};
const FLOW = 0.5;
const WASTE = 0.13;

/** A bottle or a piece of equipment: what it holds, what is left and what a run costs, and all that happened to it. */
export function ReferenceView({
  page,
  today,
  zone,
  may,
  currency,
}: {
  page: ReferencePage;
  today: string;
  zone: string;
  may: boolean;
  currency: string;
}) {
  const { snapshot, row, checks, uses, drawnL } = page;
  const left = snapshot.availableL === undefined ? null : Number(snapshot.availableL);
  const content =
    row.waterVolumeL && row.pressureBar
      ? gasAvailable({ waterVolumeL: Number(row.waterVolumeL), gaugePressureBar: Number(row.pressureBar) })
      : null;
  const each =
    row.price && content
      ? costPerRun({ price: Number(row.price), contentL: content, flowLPerMin: FLOW, minutes: MINUTES_A_RUN, wasteFactor: WASTE })
      : null;
  return (
    <>
      <div className="page-head">
        <h1>{snapshot.name}</h1>
        <span className="mono fs-5">{snapshot.lot}</span>
        {row.role && <span className="quiet">{ROLE_NAME[row.role]}</span>}
        <span className="end fs-5">
          <ReferenceState reference={snapshot} today={today} left={left} />
        </span>
      </div>
      <div className="row g-3">
        <div className="col-lg-7">
          <div className="sheet h-100">
            <h2>What it is</h2>
            {snapshot.components.length > 0 && snapshot.components[0]!.unit !== '1' && (
              <table className="table">
                <thead>
                  <tr>
                    <th>Component</th>
                    <th>{row.kind === 'tool' ? say({ code: 'shelf.readsIn' }) : 'Certified'}</th>
                    <th>± U</th>
                    <th>k</th>
                  </tr>
                </thead>
                <tbody>
                  {snapshot.components.map((one) => (
                    <tr key={one.substance}>
                      <td>{one.substance}</td>
                      <td className="mono">
                        {/* What measures has no value of its own: it is certified where it reads. */}
                        {row.kind === 'tool' ? one.unit : `${one.value} ${one.unit}`}
                      </td>
                      <td className="mono">{one.expanded}</td>
                      <td className="mono">{one.k}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {snapshot.components.map((one) => (
              <ValueAt key={one.substance} component={one} />
            ))}
            <dl className="bench-facts mb-0">
              {[
                ['Balance', snapshot.balance],
                [row.kind === 'tool' ? 'Check due' : 'Good until', day(snapshot.expires ?? null)],
                ['Part number', row.partNumber],
                ['Thread', row.fitting || row.detail.fitting],
                ['Flow', row.detail.demand ? 'on demand' : row.detail.flowLPerMin && `${row.detail.flowLPerMin} L/min`],
                ['Handling', row.detail.handling],
                [
                  'Opened',
                  snapshot.openedOn &&
                    `${day(snapshot.openedOn)}${snapshot.openedUntil ? `, good until ${day(snapshot.openedUntil)}` : ''}`,
                ],
                ['Set', row.detail.set],
                ['Single doses', row.detail.singleDose ? 'yes' : ''],
                ['Certificate', row.certificate],
                ['Issued by', row.issuer],
                ['Traceability', row.traceability],
                ['Accepted', row.accepted && `${day(row.accepted.on)} by ${row.accepted.by}: ${row.accepted.note}`],
                [
                  'Corrections',
                  snapshot.components
                    .flatMap((one) =>
                      (one.corrections ?? []).map(([at, add]) => `${add > 0 ? '+' : ''}${add} at ${at} ${one.unit}`),
                    )
                    .join(', '),
                ],
              ]
                .filter((entry) => entry[1])
                .map(([label, value]) => (
                  <div key={label}>
                    <dt>{label}</dt>
                    <dd>{value}</dd>
                  </div>
                ))}
            </dl>
          </div>
        </div>
        <div className="col-lg-5">
          <div className="sheet h-100">
            {left !== null && content !== null ? (
              <>
                <h2>What is left</h2>
                <p className="bottle-left">
                  <span className="bottle-level" aria-hidden>
                    <span style={{ height: `${Math.min(100, (left / content) * 100)}%` }} />
                  </span>
                  <span>
                    <span className="fs-2 fw-semibold">{left.toFixed(1)} L</span> of {content.toFixed(0)} L
                    <br />
                    about {runsLeft({ availableL: left, flowLPerMin: FLOW, minutes: MINUTES_A_RUN, wasteFactor: WASTE })} runs of{' '}
                    {MINUTES_A_RUN} min at {FLOW} L/min
                    <br />
                    {each !== null && (
                      <>
                        {each.toFixed(2)} {currency} a run ·{' '}
                      </>
                    )}
                    {drawnL.toFixed(1)} L booked so far
                  </span>
                </p>
              </>
            ) : (
              <h2>{snapshot.leftMl ? `${snapshot.leftMl} mL of ${row.detail.volumeMl} mL left` : 'Looked after'}</h2>
            )}
            {may && (
              <NoteCheck id={snapshot.id} kind={row.kind} opened={row.openedOn !== null} accepted={row.accepted !== null} />
            )}
          </div>
        </div>
      </div>
      <div className="row g-3 mt-0">
        <div className="col-lg-7">
          <div className="sheet h-100">
            <h2>Used</h2>
            {uses.length === 0 ? (
              <p className="quiet mb-0">{say({ code: row.kind === 'tool' ? 'shelf.notDrawn' : 'shelf.nothingDrawn' })}</p>
            ) : (
              <table className="table mb-0">
                <thead>
                  <tr>
                    <th>When</th>
                    <th>On</th>
                    <th>By</th>
                    <th className="text-end">Litres</th>
                  </tr>
                </thead>
                <tbody>
                  {uses.map((use, index) => (
                    <tr key={index}>
                      <td>{dayTime(use.at, zone)}</td>
                      <td>
                        <Link href={`/runs/${use.runId}`}>
                          {use.maker} <span className="mono">{use.serial}</span>
                        </Link>
                      </td>
                      <td>{use.by}</td>
                      <td className="mono text-end">{Number(use.litres).toFixed(2)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </div>
        </div>
        <div className="col-lg-5">
          <div className="sheet h-100">
            <h2>Checks on record</h2>
            {checks.length === 0 ? (
              <p className="quiet mb-0">None yet.</p>
            ) : (
              <ul className="list-unstyled mb-0">
                {checks.map((check) => (
                  <li key={check.id} className="log-line">
                    <time className="mono small">{dayTime(check.at, zone)}</time>
                    <span>
                      {WHAT[check.what]}
                      {check.value && ` ${check.value}${check.what === 'pressure' ? ' bar' : ''}`}
                      {check.result && `: ${check.result}`} {check.note} <span className="quiet">{check.by}</span>
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </div>
        </div>
      </div>
    </>
  );
}
