'use client';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import '@/core/words/en/imports';

export interface Asked {
  code: string;
  name: string;
  like: string | null;
  like_id: string | null;
  n: number;
}
export interface Decisions {
  customers: Record<string, string>;
  models: Record<string, string>;
}
interface Props {
  asked: Asked[];
  models: { id: string; name: string }[];
  decisions: Decisions;
  change: (decisions: Decisions) => void;
}

/** What a table can't say itself: whether a name is a misspelt one on record, and which model is meant. Decided once a name, for all its rows. */
export function DecisionsPanel({ asked, models, decisions, change }: Props) {
  const customers = asked.filter((one) => one.code === 'likeCustomer');
  const unknown = asked.filter((one) => one.code === 'unknownModel');
  const decide = (kind: 'customers' | 'models', name: string, value: string) => {
    const rest = Object.fromEntries(Object.entries(decisions[kind]).filter(([key]) => key !== name));
    change({ ...decisions, [kind]: value ? { ...rest, [name]: value } : rest });
  };
  if (asked.length === 0) return null;
  return (
    <div className="row mt-3">
      {customers.length > 0 && (
        <div className="col-lg-6">
          <h3 className="fs-6">{say({ code: 'import.decideCustomers' })}</h3>
          {customers.map(({ name, like, like_id: id, n }) => (
            <label key={name} className="d-flex gap-2 align-items-center mb-1">
              <span className="flex-fill text-break">
                {name} <span className="quiet small">{n}</span>
              </span>
              <Form.Select
                size="sm"
                style={{ maxWidth: '18rem' }}
                aria-label={name}
                value={decisions.customers[name] ?? ''}
                onChange={(event) => decide('customers', name, event.target.value)}
              >
                <option value="">{say({ code: 'import.choose' })}</option>
                {id && <option value={id}>{like}</option>}
                <option value="new">{say({ code: 'import.asNew' })}</option>
              </Form.Select>
            </label>
          ))}
        </div>
      )}
      {unknown.length > 0 && (
        <div className="col-lg-6">
          <h3 className="fs-6">{say({ code: 'import.decideModels' })}</h3>
          {unknown.map(({ name, n }) => (
            <label key={name} className="d-flex gap-2 align-items-center mb-1">
              <span className="flex-fill text-break">
                {name} <span className="quiet small">{n}</span>
              </span>
              <Form.Select
                size="sm"
                style={{ maxWidth: '18rem' }}
                aria-label={name}
                value={decisions.models[name] ?? ''}
                onChange={(event) => decide('models', name, event.target.value)}
              >
                <option value="">{say({ code: 'import.leaveOut' })}</option>
                {models.map((model) => (
                  <option key={model.id} value={model.id}>
                    {model.name}
                  </option>
                ))}
              </Form.Select>
            </label>
          ))}
        </div>
      )}
    </div>
  );
}
