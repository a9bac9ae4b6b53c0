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
      <Questions
        title={say({ code: 'import.decideCustomers' })}
        asked={customers}
        decided={decisions.customers}
        decide={(name, value) => decide('customers', name, value)}
        undecided={say({ code: 'import.choose' })}
        choices={({ like, like_id: id }) => [
          ...(id && like ? [{ id, name: like }] : []),
          { id: 'new', name: say({ code: 'import.asNew' }) },
        ]}
      />
      <Questions
        title={say({ code: 'import.decideModels' })}
        asked={unknown}
        decided={decisions.models}
        decide={(name, value) => decide('models', name, value)}
        undecided={say({ code: 'import.leaveOut' })}
        choices={() => models}
      />
    </div>
  );
}

/** One question a name, with how many rows it is about. */
function Questions({
  title,
  asked,
  decided,
  decide,
  undecided,
  choices,
}: {
  title: string;
  asked: Asked[];
  decided: Record<string, string>;
  decide: (name: string, value: string) => void;
  undecided: string;
  choices: (one: Asked) => { id: string; name: string }[];
}) {
  if (asked.length === 0) return null;
  return (
    <div className="col-lg-6">
      <h3 className="fs-6">{title}</h3>
      {asked.map((one) => (
        <label key={one.name} className="d-flex gap-2 align-items-center mb-1">
          <span className="flex-fill text-break">
            {one.name} <span className="quiet small">{one.n}</span>
          </span>
          <Form.Select
            size="sm"
            style={{ maxWidth: '18rem' }}
            aria-label={one.name}
            value={decided[one.name] ?? ''}
            onChange={(event) => decide(one.name, event.target.value)}
          >
            <option value="">{undecided}</option>
            {choices(one).map((choice) => (
              <option key={choice.id} value={choice.id}>
                {choice.name}
              </option>
            ))}
          </Form.Select>
        </label>
      ))}
    </div>
  );
}
