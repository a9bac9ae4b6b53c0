import { NONCONFORMITY_STEPS } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { CorrectEntry } from './correct-entry';
import { CloseEntry, ReopenEntry } from './close-entry';
import { StepForm } from './step-form';
import type { registerPage } from './server/read-register';
import '@/core/words/en/register';

type Found = NonNullable<Awaited<ReturnType<typeof registerPage>>>;

/** One entry: what was wrong, what was done about it in the order of the standard, and what is missing before it may be closed. */
export function EntryView({ found, zone, may }: { found: Found; zone: string; may: { note: boolean; close: boolean } }) {
  const { entry, steps, missing } = found;
  const open = entry.closedAt === null;
  return (
    <>
      <div className="page-head">
        <h1>{say({ code: `register.kind.${entry.kind}` })}</h1>
        <span className="mono fs-5">{entry.number}</span>
        {!open && (
          <span className="notice mb-0">
            {say({ code: 'register.closedLine', numbers: { by: entry.closedBy ?? '', at: dayTime(entry.closedAt!, zone) } })}
          </span>
        )}
      </div>
      <section className="sheet mb-3">
        <p className="fs-5 mb-2">{entry.what}</p>
        <p className="mb-0 d-flex flex-wrap gap-3">
          <span className="quiet">
            {say({ code: 'register.by', numbers: { by: entry.openedBy, at: dayTime(entry.openedAt, zone) } })}
          </span>
          {entry.assetId && (
            <Link href={`/assets/${entry.assetId}`}>
              {found.maker} {found.model} {found.serial}
            </Link>
          )}
          {entry.customerId && <Link href={`/customers/${entry.customerId}`}>{found.customer}</Link>}
          {entry.referenceId && (
            <Link href={`/shelf/${entry.referenceId}`}>
              {found.reference}, {found.lot}
            </Link>
          )}
          {entry.runId && <Link href={`/runs/${entry.runId}`}>{say({ code: 'register.kind.foundOutside' })}</Link>}
        </p>
        {open && may.note && <CorrectEntry key={entry.what} id={entry.id} what={entry.what} />}
      </section>
      {NONCONFORMITY_STEPS.map((step) => {
        const notes = steps.filter((one) => one.step === step);
        const [now, ...before] = notes.toReversed();
        return (
          <section key={step} className="sheet mb-2" data-testid={`step-${step}`}>
            <h2>{say({ code: `register.step.${step}` })}</h2>
            {now && <Note note={now} zone={zone} />}
            {step === 'action' && entry.lookAgainOn && (
              <p className="small mb-1">
                {say({ code: 'register.lookAgain' })} {day(entry.lookAgainOn)}
              </p>
            )}
            {before.map((note) => (
              <div key={note.id} className="small quiet text-decoration-line-through">
                <Note note={note} zone={zone} />
              </div>
            ))}
            {open && may.note && !now && <StepForm id={entry.id} step={step} anew={false} />}
            {open && may.note && now && (
              <details key={now.id}>
                <summary className="small">{say({ code: 'register.again' })}</summary>
                <StepForm id={entry.id} step={step} anew />
              </details>
            )}
          </section>
        );
      })}
      {steps
        .filter((one) => one.step === 'reopened')
        .map((note) => (
          <p key={note.id} className="notice">
            {say({ code: 'register.step.reopened' })}: {note.text}, {note.by}, {dayTime(note.at, zone)}
          </p>
        ))}
      {open && missing.length > 0 && (
        <p className="quiet" data-testid="missing">
          {say({
            code: 'register.missing',
            numbers: { steps: missing.map((step) => say({ code: `register.step.${step}` })).join('; ') },
          })}
        </p>
      )}
      {may.close && (open ? <CloseEntry id={entry.id} /> : <ReopenEntry id={entry.id} />)}
    </>
  );
}

function Note({ note, zone }: { note: Found['steps'][number]; zone: string }) {
  const chosen =
    note.step === 'told'
      ? say({ code: `register.told.${note.choice as 'told'}` })
      : note.step === 'cause'
        ? say({ code: `register.cause.${note.choice as 'drift'}` })
        : '';
  return (
    <p className="mb-1">
      {chosen && <strong>{chosen}: </strong>}
      {note.text}{' '}
      <span className="small quiet">{say({ code: 'register.by', numbers: { by: note.by, at: dayTime(note.at, zone) } })}</span>
    </p>
  );
}
