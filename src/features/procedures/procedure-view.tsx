import type { Point } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import type { procedurePage } from './server/list-procedures';
import '@/core/words/en/procedures';

type Page = NonNullable<Awaited<ReturnType<typeof procedurePage>>>;

/** A procedure to read: what it needs, what it compares with what, and step by step what is done and why. */
export function ProcedureView({ page: { procedure, models, steps } }: { page: Page }) {
  return (
    <>
      <div className="sheet mb-3">
        <p className="mb-1">
          {say({ code: 'procedures.scope', numbers: { scope: procedure.scope } })}.{' '}
          {say({ code: 'procedures.warmUp', numbers: { minutes: Math.round(procedure.warmUpSeconds / 60) } })}.
        </p>
        <p className="quiet mb-1">{procedure.method}</p>
        <p className="mb-0">
          {models.length === 0
            ? say({ code: 'procedures.noModel' })
            : models.map((one, index) => (
                <span key={one.id}>
                  {index > 0 && ', '}
                  <Link href={`/models/${one.id}`}>{one.name}</Link>
                </span>
              ))}
        </p>
      </div>
      {procedure.cautions.length > 0 && (
        <div className="notice bad mb-3">
          <ul className="mb-0">
            {procedure.cautions.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="row mb-3">
        <Facts
          title={say({ code: 'procedures.channels' })}
          lines={procedure.channels.map((one) =>
            one.optional ? say({ code: 'procedures.optional', numbers: { label: one.label } }) : one.label,
          )}
        />
        <Facts title={say({ code: 'procedures.slots' })} lines={procedure.slots.map((one) => one.label)} />
        <Facts
          title={say({ code: 'procedures.points' })}
          lines={procedure.points.map((one) => `${one.label}: ${toleranceOf(one)}`)}
        />
      </div>
      <div className="sheet mb-3">
        <h2>
          {say({ code: 'procedures.steps' })}{' '}
          {models[0] && <span className="quiet fs-6">{say({ code: 'procedures.by', numbers: { model: models[0].name } })}</span>}
        </h2>
        <ol className="mb-0">
          {steps.map((step, index) => (
            <li key={index} className="mb-2" data-testid="procedure-step">
              {step.under.length > 0 && <span className="quiet">{step.under.join(' · ')}: </span>}
              <strong className="fw-semibold">{step.title}</strong>
              {step.maybe && <span className="quiet small"> {say({ code: 'procedures.maybe' })}</span>}
              {step.note && <span className="d-block quiet small">{step.note}</span>}
              {step.caution && <span className="d-block field-problem">{step.caution}</span>}
              {step.blanks.length > 0 && (
                <span className="d-block small">{step.blanks.map((blank) => blank.label).join(' · ')}</span>
              )}
            </li>
          ))}
        </ol>
      </div>
      {procedure.schools && procedure.schools.length > 0 && (
        <div className="sheet">
          <h2>{say({ code: 'procedures.schools' })}</h2>
          {procedure.schools.map((school) => (
            <div key={school.id} className="mb-2">
              <strong className="fw-semibold">{school.label}</strong>
              <ul className="mb-0">
                {school.options.map((option) => (
                  <li key={option.id}>
                    {option.label} <span className="quiet small">{option.reason}</span>
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </div>
      )}
    </>
  );
}

const toleranceOf = ({ tolerance }: Point): string =>
  say({
    code: 'procedures.tolerance',
    numbers: { tolerance: tolerance === undefined ? 'none' : tolerance === 'zero' ? 'zero' : `± ${tolerance.limit}` },
  });

function Facts({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="col-md-4">
      <div className="sheet h-100">
        <h2>{title}</h2>
        <ul className="mb-0">
          {lines.map((line, index) => (
            <li key={index}>{line}</li>
          ))}
        </ul>
      </div>
    </div>
  );
}
