import { BLANKED } from '@/core/record/blanked';
import { say } from '@/core/words/say';
import { isParts } from './is-parts';
import '@/core/words/en/house';

/** What a thing is called where people read of it. */
const NAMES: Record<string, string> = {
  asset: 'instrument',
  asset_channel: 'channel',
  asset_use: 'uses',
  customer_contact: 'contact',
  customer_merge: 'merging',
  customer_site: 'site',
  booking: 'booking',
  booking_item: 'instrument of a booking',
  supplier_review: 'evaluation of a supplier',
  practice_exercise: 'exercise',
  run_watched: 'run that was watched',
  competence: 'authorisation of a person',
  control_chart: 'control chart',
  supply_terms: 'how something is bought',
  control_point: 'value of a control chart',
  comparison: 'comparison with another laboratory',
  customer_question: 'question to a customer',
  window_request: 'request at the window',
  window_link: 'link to the window',
  window_session: 'visit at the window',
  customer_bump: 'bump test by the customer',
  calendar_feed: 'address of a calendar',
  suspicion: 'suspicion of a reference',
  suspicion_result: 'result judged anew',
  nonconformity: 'nonconforming work',
  nonconformity_step: 'step about nonconforming work',
  customer_tolerance: 'tolerance of a customer',
  instrument_model: 'model',
  user: 'person',
  installation_check: 'trial of the installation',
  price: 'price',
  stock_item: 'spare',
  stock_use: 'spare that was fitted',
  loan: 'loan',
  offer: 'offer',
  job_position: 'position of a job',
  import_batch: 'table taken in',
  own_procedure: 'procedure',
  procedure_recall: 'recall of a procedure',
  interval_policy: 'interval',
};
export const plain = (table: string): string => NAMES[table] ?? table.replace(/_/g, ' ');

/** What changed of a row, from what to what. */
export function Changed({ before, after }: { before: Record<string, unknown>; after: Record<string, unknown> }) {
  return (
    <ul className="list-unstyled mb-0 small">
      {Object.keys(after)
        .filter((name) => name !== 'updated_at')
        .flatMap((name) => parts(name, before[name], after[name]))
        .map(([name, was, is]) => (
          <li key={name}>
            {plain(name)}: <span className="mono">{was}</span> → <span className="mono">{is}</span>
          </li>
        ))}
    </ul>
  );
}

/** Of something with parts only the parts that changed. */
function parts(name: string, was: unknown, is: unknown): [string, string, string][] {
  if (isParts(was) && isParts(is))
    return [...new Set([...Object.keys(was), ...Object.keys(is)])]
      .filter((key) => JSON.stringify(was[key]) !== JSON.stringify(is[key]))
      .map((key) => [key, show(was[key]), show(is[key])]);
  return [[name, show(was), show(is)]];
}

function show(value: unknown): string {
  // A person was blanked: that it was changed stays, what it was is gone.
  if (value === BLANKED) return say({ code: 'changes.blanked' });
  if (value === null || value === undefined || value === '') return say({ code: 'changes.nothing' });
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > 90 ? `${text.slice(0, 88)}…` : text;
}
