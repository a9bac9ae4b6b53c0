'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';
import { CHART_KINDS, type ChartKind } from '@/core/control/chart-kind';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { correctChartAction, makeChartAction } from './actions';
import '@/core/words/en/control';

interface Props {
  watchable: readonly { id: string; name: string }[];
  /** The chart that is corrected; none where one is begun. */
  chart?: { id: string; name: string; how: string; referenceId: string | null };
}

/** Begins a chart, or corrects one: what is read, in which unit, and what it watches. */
export function ChartForm({ watchable, chart }: Props) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [given, setGiven] = useState({
    name: chart?.name ?? '',
    kind: 'checkStandard' as ChartKind,
    unit: '',
    resolution: '',
    how: chart?.how ?? '',
    referenceId: chart?.referenceId ?? '',
  });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const set = (part: Partial<typeof given>) => setGiven({ ...given, ...part });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const told = { name: given.name, how: given.how, referenceId: given.referenceId || null };
    const result = chart
      ? await attempt(() => correctChartAction({ chartId: chart.id, ...told }))
      : await attempt(() => makeChartAction({ ...told, kind: given.kind, unit: given.unit, resolution: given.resolution }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    if (!result.ok) return;
    setOpen(false);
    if (result.value && 'id' in result.value) router.push(`/shelf/control/${result.value.id}`);
    else router.refresh();
  };
  const text = (
    name: 'name' | 'unit' | 'resolution' | 'how',
    code: 'control.name' | 'control.unit' | 'control.resolution' | 'control.way',
  ) => (
    <Field label={say({ code })} problem={problems[name]}>
      <Form.Control value={given[name]} autoComplete="off" onChange={(event) => set({ [name]: event.target.value })} />
    </Field>
  );
  return (
    <details className="mb-3" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{say({ code: chart ? 'control.correct' : 'control.new' })}</summary>
      <form onSubmit={send} noValidate className="sheet mt-2">
        <div className="row g-2">
          <div className="col-md-4">{text('name', 'control.name')}</div>
          {!chart && (
            <>
              <div className="col-md-4">
                <Field label={say({ code: 'control.kind' })}>
                  <Form.Select value={given.kind} onChange={(event) => set({ kind: event.target.value as ChartKind })}>
                    {CHART_KINDS.map((kind) => (
                      <option key={kind} value={kind}>
                        {say({ code: `control.kind.${kind}` })}
                      </option>
                    ))}
                  </Form.Select>
                </Field>
              </div>
              <div className="col-md-2">{text('unit', 'control.unit')}</div>
              <div className="col-md-2">{text('resolution', 'control.resolution')}</div>
            </>
          )}
          <div className="col-md-4">
            <Field label={say({ code: 'control.watches' })} problem={problems.referenceId}>
              <Form.Select value={given.referenceId} onChange={(event) => set({ referenceId: event.target.value })}>
                <option value="">{say({ code: 'control.watchesNothing' })}</option>
                {watchable.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
          <div className="col-md-8">{text('how', 'control.way')}</div>
        </div>
        <FormFoot
          message={message}
          save={say({ code: chart ? 'control.save' : 'control.begin' })}
          leave={say({ code: 'control.leave' })}
          onLeave={() => setOpen(false)}
        />
      </form>
    </details>
  );
}
