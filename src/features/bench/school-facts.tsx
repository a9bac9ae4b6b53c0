'use client';
import type { Procedure } from '@/core/procedure/procedure';
import type { RunState } from '@/core/record/state';

/** Where practitioners disagree: what is done here, and why. */
export function SchoolFacts({ procedure, state }: { procedure: Procedure; state: RunState }) {
  const chosen = (procedure.schools ?? []).flatMap((school) => {
    const option = school.options.find((one) => one.id === (state.started?.schools?.[school.id] ?? school.standard));
    return option ? [{ school, option }] : [];
  });
  if (chosen.length === 0) return null;
  return (
    <>
      <dt>How it is done here</dt>
      <dd>
        <ul className="list-unstyled small mb-0">
          {chosen.map(({ school, option }) => (
            <li key={school.id} title={option.reason}>
              <span className="quiet">{school.label}:</span> {option.label}. <span className="quiet">{option.reason}</span>
            </li>
          ))}
        </ul>
      </dd>
    </>
  );
}
