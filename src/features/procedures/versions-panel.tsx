import { say } from '@/core/words/say';
import { DifferenceList } from './editor/corrections-panel';
import type { OwnPage } from './server/own-page';
import { day, dayIn } from '@/ui/format';
import '@/core/words/en/procedures';

/** Released versions, each with the record of its validation, and what differs in the draft. */
export function VersionsPanel({ page: { versions, differs, draft, own }, zone }: { page: OwnPage; zone: string }) {
  if (!own) return null;
  return (
    <>
      {draft && (
        <div className="sheet mb-3" data-testid="differs">
          <h2>
            {versions[0]
              ? say({ code: 'procedures.differs', numbers: { version: versions[0].version } })
              : say({ code: 'procedures.differsBase' })}
          </h2>
          {differs.length === 0 ? (
            <p className="quiet mb-0">{say({ code: 'procedures.same' })}</p>
          ) : (
            <DifferenceList differences={differs} />
          )}
        </div>
      )}
      {versions.length > 0 && (
        <div className="sheet mb-3" data-testid="versions">
          <h2>{say({ code: 'procedures.versions' })}</h2>
          {versions.map((one) => (
            <div key={one.version} className="mb-2">
              {say({
                code: 'procedures.releasedBy',
                numbers: {
                  version: one.version,
                  by: one.releasedBy,
                  on: dayIn(one.releasedAt, zone),
                  note: one.note,
                },
              })}
              <span className="quiet small d-block">
                {say({
                  code: 'procedures.validated',
                  numbers: {
                    on: day(one.validatedOn),
                    by: one.validatedBy,
                    tried: one.tried,
                    result: one.result,
                    ways: one.ways,
                  },
                })}
              </span>
            </div>
          ))}
        </div>
      )}
    </>
  );
}
