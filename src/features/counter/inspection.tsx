import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import type { Line } from './line';
import { INSPECTION_GROUPS, inspectionFor } from './receive-schema';
import '@/core/words/en/paper';

const RESULTS = ['pass', 'fault', 'notApplicable'] as const;

/** The look at an instrument that comes in: a group that is looked at together passes by one press, never everything at once. What nobody looked at stays so. */
export function Inspection({
  line,
  problems,
  inspect,
}: {
  line: Line;
  problems: Record<string, string>;
  inspect: (ids: string[], change: Partial<Line['inspection'][string]>) => void;
}) {
  const items = inspectionFor(line.measurands ?? []);
  return (
    <div className="row" data-testid="inspection">
      {INSPECTION_GROUPS.map((group) => {
        const own = items.filter((item) => item.group === group);
        if (own.length === 0) return null;
        return (
          <fieldset key={group} className="col-lg-6 py-1">
            <legend className="small-caps fs-6 mb-1 d-flex gap-2 align-items-center">
              {say({ code: `inspection.${group}` })}
              {own.length > 1 && (
                <Button
                  size="sm"
                  variant="plain"
                  onClick={() =>
                    inspect(
                      own.filter((item) => line.inspection[item.id]!.result === 'notLookedAt').map((item) => item.id),
                      { result: 'pass' },
                    )
                  }
                >
                  {say({ code: 'inspection.passGroup', numbers: { group: say({ code: `inspection.${group}` }) } })}
                </Button>
              )}
            </legend>
            {own.map((item) => {
              const entry = line.inspection[item.id]!;
              return (
                <div key={item.id} className="d-flex flex-wrap gap-2 align-items-center py-1">
                  <span style={{ flex: '1 1 11rem' }}>{item.label}</span>
                  <span role="group" aria-label={item.label} className="btn-group">
                    {RESULTS.map((result) => (
                      <Button
                        key={result}
                        size="sm"
                        variant="plain"
                        active={entry.result === result}
                        aria-pressed={entry.result === result}
                        onClick={() => inspect([item.id], { result })}
                      >
                        {say({ code: `inspection.result.${result}` })}
                      </Button>
                    ))}
                  </span>
                  {entry.result === 'fault' && (
                    <Form.Control
                      size="sm"
                      aria-label={`What is wrong: ${item.label}`}
                      placeholder="What is wrong?"
                      value={entry.note}
                      onChange={(event) => inspect([item.id], { note: event.target.value })}
                    />
                  )}
                  {problems[`inspection.${item.id}`] && (
                    <div className="field-problem w-100" role="alert">
                      {problems[`inspection.${item.id}`]}
                    </div>
                  )}
                </div>
              );
            })}
          </fieldset>
        );
      })}
    </div>
  );
}
