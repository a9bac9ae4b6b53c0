import { say } from '@/core/words/say';
import { VerdictMark } from '@/ui/verdict-mark';
import type { OwnPage } from '../server/own-page';
import '@/core/words/en/walk';
import '@/core/words/en/procedures';

/** What stands against a release: what the draft names and has not, and what the walk found, each with the way that leads there. */
export function WalkPanel({ faults, walk, waiting }: { faults: readonly string[]; walk: OwnPage['walk']; waiting: boolean }) {
  const models = walk?.models.join(', ') ?? '';
  return (
    <div className="sheet mt-3" data-testid="walked">
      {faults.length === 0 ? (
        <p className="mb-1">
          <VerdictMark state="within" word={say({ code: 'procedures.sound' })} />
        </p>
      ) : (
        <ul className="field-problem mb-1">
          {faults.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      {waiting && <p className="quiet mb-0">{say({ code: 'procedures.walking' })}</p>}
      {walk && !walk.current && <p className="quiet mb-0">{say({ code: 'procedures.walkedBefore' })}</p>}
      {walk?.current && walk.faults.length === 0 && (
        <p className="mb-0">
          <VerdictMark state="within" word={say({ code: 'procedures.walkedClean', numbers: { ways: walk.ways, models } })} />
        </p>
      )}
      {walk?.current && walk.faults.length > 0 && (
        <>
          <p className="mb-1">
            <VerdictMark state="outside" word={say({ code: 'procedures.walkedFaults', numbers: { ways: walk.ways, models } })} />
          </p>
          <ul className="mb-0">
            {walk.faults.map((fault, index) => (
              <li key={index}>
                <strong className="fw-semibold">{say({ code: `walk.${fault.code}`, numbers: { step: fault.step } })}</strong>{' '}
                <span className="quiet">
                  {fault.way.length === 0
                    ? say({ code: 'procedures.plainWay' })
                    : say({
                        code: 'procedures.onWay',
                        numbers: { way: fault.way.map(({ step, outcome }) => `${step}: ${outcome}`).join(', ') },
                      })}
                </span>
                {fault.sentence && <span className="d-block">“{fault.sentence}”</span>}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
