import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { assetCard } from './server/asset-card';
import '@/core/words/en/assets';

type Visits = NonNullable<Awaited<ReturnType<typeof assetCard>>>['runs'];

/** An instrument's visits, the newest first; older ones when asked for. */
export function VisitsPanel({ assetId, visits, more, zone }: { assetId: string; visits: Visits; more: boolean; zone: string }) {
  return (
    <div className="sheet mt-3" id="visits">
      <h2>{say({ code: 'asset.visits' })}</h2>
      {visits.length === 0 ? (
        <div className="empty">
          {say({ code: 'asset.noVisits' })} <Link href="/receive">{say({ code: 'asset.receiveIt' })}</Link>
        </div>
      ) : (
        <table className="table mb-0">
          <thead>
            <tr>
              <th>{say({ code: 'asset.visit.date' })}</th>
              <th>{say({ code: 'asset.visit.found' })}</th>
              <th>{say({ code: 'asset.visit.left' })}</th>
              <th>{say({ code: 'asset.visit.technician' })}</th>
              <th>{say({ code: 'asset.visit.certificate' })}</th>
            </tr>
          </thead>
          <tbody>
            {visits.map((visit) => (
              <tr key={visit.runId}>
                <td>
                  <Link className="row-link" href={`/runs/${visit.runId}`}>
                    {dayTime(visit.startedAt, zone)}
                  </Link>
                </td>
                <td>
                  <VerdictMark state={visit.asFound} />
                </td>
                <td>
                  <VerdictMark state={visit.asLeft} />
                </td>
                <td>{visit.technician}</td>
                <td>
                  {visit.certificateId ? (
                    <Link className="mono" href={`/certificates/${visit.certificateId}`}>
                      {visit.number}
                      {visit.revision ? ` r${visit.revision}` : ''}
                    </Link>
                  ) : (
                    <span className="quiet">{visit.status}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {more && (
        <p className="mb-0 mt-2">
          <Link href={`/assets/${assetId}?visits=all#visits`}>{say({ code: 'asset.earlierVisits' })}</Link>
        </p>
      )}
    </div>
  );
}
