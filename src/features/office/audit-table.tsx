import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Changed } from '@/ui/changed';
import { isParts } from '@/ui/is-parts';
import { DayFilter } from '@/ui/day-filter';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import { piecesOf, saidOfAction } from './audit-words';
import type { AuditQuery, listAudit } from './server/audit-list';
import '@/core/words/en/did';

interface Props {
  list: Awaited<ReturnType<typeof listAudit>>;
  query: AuditQuery;
  people: { id: string; name: string }[];
  actions: { action: string; said: string }[];
  zone: string;
}

/** Who did what, newest first, with names instead of ids. The bench’s own record is the events of each run. */
export function AuditTable({ list, query, people, actions, zone }: Props) {
  const asked = Object.fromEntries(Object.entries(query).filter(([key, value]) => value && key !== 'before')) as Record<
    string,
    string
  >;
  return (
    <div className="sheet">
      <AuditChoice query={query} people={people} actions={actions} />
      <p className="mb-2">
        <ExportLinks base="/office/audit/export" query={asked} />
      </p>
      {list.rows.length === 0 && <p className="quiet mb-0">{say({ code: 'audit.none' })}</p>}
      <table className="table mb-0">
        <thead>
          <tr>
            <th>{say({ code: 'audit.when' })}</th>
            <th>{say({ code: 'audit.who' })}</th>
            <th>{say({ code: 'audit.what' })}</th>
            <th>{say({ code: 'audit.text' })}</th>
          </tr>
        </thead>
        <tbody>
          {list.rows.map((row) => (
            <tr key={row.id} data-testid="audit">
              <td className="text-nowrap">{dayTime(row.at, zone)}</td>
              <td className="text-nowrap">{row.actor.name}</td>
              <td className="text-nowrap">{saidOfAction(row.action)}</td>
              <td className="text-break">
                {piecesOf(row.subject, list.names).map((piece, index) =>
                  typeof piece === 'string' ? (
                    piece
                  ) : piece.href ? (
                    <Link key={index} href={piece.href}>
                      {piece.name}
                    </Link>
                  ) : (
                    <strong key={index} className="fw-semibold">
                      {piece.name}
                    </strong>
                  ),
                )}
                <Detail detail={row.detail} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Pager base="/office/audit" query={{ ...asked, before: query.before }} next={list.next} param="before" />
    </div>
  );
}

/** Choices in the address: a list that can be shared and comes back after a reload. */
function AuditChoice({ query, people, actions }: Pick<Props, 'query' | 'people' | 'actions'>) {
  return (
    <Form method="get" action="/office/audit" className="row g-2 align-items-end mb-2">
      <label className="col-sm-6 col-md-2">
        <span className="small">{say({ code: 'audit.person' })}</span>
        <Form.Select size="sm" name="person" defaultValue={query.person ?? ''}>
          <option value="">{say({ code: 'audit.anybody' })}</option>
          {people.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Form.Select>
      </label>
      <label className="col-sm-6 col-md-2">
        <span className="small">{say({ code: 'audit.act' })}</span>
        <Form.Select size="sm" name="action" defaultValue={query.action ?? ''}>
          <option value="">{say({ code: 'audit.anything' })}</option>
          {actions.map((one) => (
            <option key={one.action} value={one.action}>
              {one.said}
            </option>
          ))}
        </Form.Select>
      </label>
      <label className="col-sm-6 col-md-2">
        <span className="small">{say({ code: 'audit.text' })}</span>
        <Form.Control size="sm" name="text" defaultValue={query.text ?? ''} />
      </label>
      <label className="col-sm-3 col-md-2" style={{ maxWidth: '12rem' }}>
        <span className="small">{say({ code: 'audit.from' })}</span>
        <DayFilter name="from" initial={query.from ?? ''} />
      </label>
      <label className="col-sm-3 col-md-2" style={{ maxWidth: '12rem' }}>
        <span className="small">{say({ code: 'audit.to' })}</span>
        <DayFilter name="to" initial={query.to ?? ''} />
      </label>
      <div className="col-auto">
        <Button type="submit" size="sm" variant="plain">
          {say({ code: 'audit.show' })}
        </Button>
      </div>
    </Form>
  );
}

/** From what to what, where both are known; else what was noted. */
function Detail({ detail: { before, after, ...rest } }: { detail: Record<string, unknown> }) {
  const changed = isParts(before) && isParts(after);
  const noted = Object.entries(changed ? rest : { before, after, ...rest }).filter(([, value]) => value !== undefined);
  return (
    <div className="quiet">
      {changed && <Changed before={before} after={after} />}
      {noted.length > 0 && (
        <span className="d-block small">
          {noted
            .map(([name, value]) => `${name}: ${typeof value === 'string' ? value : JSON.stringify(value)}`)
            .join(', ')
            .slice(0, 300)}
        </span>
      )}
    </div>
  );
}
