'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { chooseWayAction } from './actions';
import type { ModelWays } from './server/ways';
import '@/core/words/en/keys';
import '@/core/words/en/house';

/** Where practitioners disagree the workshop chooses, model by model, and reads what speaks for it. */
export function WaysPanel({ ways }: { ways: ModelWays[] }) {
  const router = useRouter();
  const [said, setSaid] = useState<{ at: string; text: string; bad: boolean } | null>(null);
  const choose = async (modelId: string, school: string, option: string) => {
    const at = `${modelId}/${school}`;
    const result = await attempt(() => chooseWayAction({ modelId, school, option }));
    setSaid({ at, bad: !result.ok, text: result.ok ? say({ code: 'methods.saved' }) : result.message });
    router.refresh();
  };
  return (
    <div className="sheet">
      <p className="quiet small">
        {say({ code: 'methods.how' })} <a href="/office/keys/export">{say({ code: 'keys.export' })}</a>
      </p>
      <table className="table mb-0">
        <thead>
          <tr>
            {(['model', 'question', 'here', 'why'] as const).map((one) => (
              <th key={one}>{say({ code: `methods.${one}` })}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ways.map(({ modelId, model, procedure, questions }) =>
            questions.map(({ school, chosen }, index) => {
              const here = said?.at === `${modelId}/${school.id}` ? said : null;
              return (
                <tr key={`${modelId}/${school.id}`}>
                  {index === 0 && (
                    <th scope="rowgroup" rowSpan={questions.length} className="fw-normal">
                      {model}
                      <span className="d-block small quiet">{procedure}</span>
                    </th>
                  )}
                  <td className="text-nowrap">{school.label}</td>
                  <td>
                    <Form.Select
                      size="sm"
                      aria-label={`${school.label}, ${model}`}
                      style={{ minWidth: '12.5rem' }}
                      value={chosen}
                      onChange={(event) => void choose(modelId, school.id, event.target.value)}
                    >
                      {school.options.map((option) => (
                        <option key={option.id} value={option.id}>
                          {option.label}
                        </option>
                      ))}
                    </Form.Select>
                    {here && (
                      <span className={here.bad ? 'field-problem' : 'small quiet'} role="status">
                        {here.text}
                      </span>
                    )}
                  </td>
                  <td className="small quiet">{school.options.find((one) => one.id === chosen)?.reason}</td>
                </tr>
              );
            }),
          )}
        </tbody>
      </table>
    </div>
  );
}
