import { componentText } from '@/ui/component-text';
import { Link } from '@/ui/link';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { runsLeft } from '@/core/supply/runs-left';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { ROLE_NAME } from './shelf-schema';

const KIND: Record<ReferenceSnapshot['kind'], string> = {
  gas: 'Gas',
  solution: 'Solutions and membranes',
  buffer: 'Buffers',
  standard: 'Standards',
  tool: 'Bench equipment',
  cleanAir: 'Clean air',
};
export const MINUTES_A_RUN = 6;
const SOON_DAYS = 30;

const ORDER: ReferenceSnapshot['kind'][] = ['gas', 'buffer', 'standard', 'solution', 'tool', 'cleanAir'];
const LIQUID: ReferenceSnapshot['kind'][] = ['buffer', 'standard', 'solution'];
const name = (substance: string) => substance.replace('technical-', 'pH ');

/** 0 good, 1 running low, 2 not to be used: what can be taken stands first. */
function rank(reference: ReferenceSnapshot, today: string): number {
  const left = reference.availableL === undefined ? Infinity : Number(reference.availableL);
  if (reference.recalled || reference.unusable || (reference.expires && reference.expires < today) || left < 1) return 2;
  if (reference.openedUntil && reference.openedUntil < today) return 2;
  if (reference.leftMl !== undefined && Number(reference.leftMl) < Number(reference.detail?.doseMl ?? 1)) return 2;
  return left < 12 ? 1 : 0;
}

/** What stands on the shelf: content, runs left, until when. Expired, empty and recalled stay in sight, marked. */
export function ShelfTable({ references, today }: { references: ReferenceSnapshot[]; today: string }) {
  const kinds = ORDER.filter((kind) => references.some((reference) => reference.kind === kind));
  return kinds.map((kind) => (
    <div className="sheet mb-3" key={kind}>
      <h2>{KIND[kind]}</h2>
      <table className="table mb-0">
        <thead>
          <tr>
            <th>What</th>
            <th>Lot</th>
            <th>Content</th>
            <th>{kind === 'tool' ? 'Check due' : 'Good until'}</th>
            {kind === 'gas' && <th>Left</th>}
            {LIQUID.includes(kind) && <th>Opened, left</th>}
            <th />
          </tr>
        </thead>
        <tbody>
          {references
            .filter((reference) => reference.kind === kind)
            .sort(
              (a, b) =>
                rank(a, today) - rank(b, today) ||
                a.name.localeCompare(b.name) ||
                (b.expires ?? '').localeCompare(a.expires ?? ''),
            )
            .map((reference) => {
              const left = reference.availableL === undefined ? null : Number(reference.availableL);
              return (
                <tr key={reference.id} id={reference.id}>
                  <td>
                    <Link className="row-link fw-semibold" href={`/shelf/${reference.id}`}>
                      {reference.name}
                    </Link>
                    {reference.role && <span className="quiet small"> {ROLE_NAME[reference.role]?.toLowerCase()}</span>}
                  </td>
                  <td className="mono text-nowrap">{reference.lot}</td>
                  <td className="small">
                    {reference.components
                      .map((component) =>
                        kind === 'buffer'
                          ? `${name(component.substance)} ± ${component.expanded}${component.table ? ', own table' : ''}`
                          : componentText(kind, component),
                      )
                      .join(' · ')}
                    {kind === 'tool' && toolText(reference)}
                    {reference.balance && <span className="quiet"> in {reference.balance}</span>}
                  </td>
                  <td className="text-nowrap">{day(reference.expires ?? null)}</td>
                  {LIQUID.includes(kind) && (
                    <td className="text-nowrap small">
                      {reference.openedOn
                        ? `opened ${day(reference.openedOn)}`
                        : reference.detail?.singleDose
                          ? 'single doses'
                          : 'not opened'}
                      {reference.openedUntil && <span className="d-block">good until {day(reference.openedUntil)}</span>}
                      {reference.leftMl && <span className="quiet d-block">{reference.leftMl} mL left</span>}
                    </td>
                  )}
                  {kind === 'gas' && (
                    <td className="text-nowrap">
                      {left === null ? (
                        '—'
                      ) : (
                        <>
                          {left.toFixed(1)} L{' '}
                          <span className="quiet">
                            about {runsLeft({ availableL: left, flowLPerMin: 0.5, minutes: MINUTES_A_RUN, wasteFactor: 0.13 })}{' '}
                            runs
                          </span>
                        </>
                      )}
                    </td>
                  )}
                  <td>
                    <ReferenceState reference={reference} today={today} left={left} />
                  </td>
                </tr>
              );
            })}
        </tbody>
      </table>
    </div>
  ));
}

/** What matters of a piece of equipment: flow, thread, length. */
function toolText({ detail }: ReferenceSnapshot): string {
  return [
    detail?.demand ? 'demand flow' : detail?.flowLPerMin ? `${detail.flowLPerMin} L/min` : '',
    detail?.fitting ? `thread ${detail.fitting}` : '',
    detail?.lengthCm ? `${detail.lengthCm} cm` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

export function ReferenceState({ reference, today, left }: { reference: ReferenceSnapshot; today: string; left: number | null }) {
  if (reference.recalled)
    return (
      <span>
        <VerdictMark state="outside" word="recalled" />
        <span className="small quiet d-block">{reference.recalled}</span>
      </span>
    );
  if (reference.unusable) return <VerdictMark state="outside" word={reference.unusable} />;
  if (reference.expires && reference.expires < today)
    return <VerdictMark state="outside" word={reference.kind === 'tool' ? 'check overdue' : 'expired'} />;
  if (reference.openedUntil && reference.openedUntil < today) return <VerdictMark state="outside" word="open too long" />;
  if (reference.leftMl !== undefined && Number(reference.leftMl) < Number(reference.detail?.doseMl ?? 1))
    return <VerdictMark state="outside" word="used up" />;
  if (left !== null && left < 1) return <VerdictMark state="outside" word="empty" />;
  if (left !== null && left < 12) return <VerdictMark state="cannotTell" word="running low" />;
  if (reference.expires && differenceInCalendarDays(parseISO(reference.expires), parseISO(today)) <= SOON_DAYS)
    return <VerdictMark state="cannotTell" word="ends soon" />;
  return <VerdictMark state="within" word="good" />;
}
