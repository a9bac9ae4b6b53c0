'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { sourceFact } from '@/core/uncertainty/standing';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { DayOf } from '@/ui/zone';
import { setStandingAction } from './actions';
import type { StandingLine } from './server';
import '@/core/words/en/budget';
import '@/core/words/en/budgets-room';

/** One standing value: its figure, where it comes from, and a way to set it with a source and a date. */
export function StandingRow({ line, maySet, today }: { line: StandingLine; maySet: boolean; today: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState({ value: String(line.value), sourceText: '', sourceOn: today });
  const [fields, setFields] = useState<Record<string, string>>({});
  const unit =
    line.form === 'percent'
      ? say({ code: 'budgets.percent' })
      : line.form === 'steps'
        ? say({ code: 'budgets.steps' })
        : (line.unit ?? '');
  const where = [line.procedure, line.point].filter(Boolean).join(', ');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const { id: standing, measurand, procedure, point, form } = line;
    const result = await attempt(() =>
      setStandingAction({
        standing,
        measurand,
        procedure: procedure ?? '',
        point: point ?? '',
        form,
        unit: line.unit ?? '',
        sourceKind: 'confirmed',
        ...typed,
      }),
    );
    setFields(result.ok ? {} : { ...result.fields, ...(Object.keys(result.fields).length ? {} : { value: result.message }) });
    if (!result.ok) return;
    setOpen(false);
    router.refresh();
  };
  return (
    <>
      <tr>
        <td>{line.measurand}</td>
        <td>
          {say({ code: `standing.${line.id}` })}
          {where && <span className="quiet small d-block">{where}</span>}
        </td>
        <td className="mono text-end text-nowrap">
          ± {line.value} <span className="quiet">{unit}</span>
        </td>
        <td className={line.source.kind === 'memory' ? 'field-problem' : ''}>
          {line.source.kind === 'study'
            ? say({ code: 'basis.study', numbers: { n: line.source.n, source: say(sourceFact(line.source)) } })
            : say(sourceFact(line.source))}
          {line.at && line.source.kind !== 'confirmed' && line.source.kind !== 'study' && (
            <span className="quiet small d-block">
              <DayOf at={line.at} />, {line.by}
            </span>
          )}
        </td>
        <td className="text-end">
          {maySet && line.source.kind !== 'study' && (
            <Button size="sm" variant="plain" onClick={() => setOpen(!open)}>
              {say({ code: 'budgets.set' })}
            </Button>
          )}
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={5}>
            <form className="d-flex gap-2 align-items-start flex-wrap" onSubmit={send}>
              {(
                [
                  ['value', say({ code: 'budgets.value' }), '7rem'],
                  ['sourceText', say({ code: 'budgets.source' }), '24rem'],
                  ['sourceOn', say({ code: 'budgets.sourceOn' }), '9rem'],
                ] as const
              ).map(([name, label, width]) => (
                <div key={name} style={{ width }}>
                  <Form.Control
                    aria-label={label}
                    placeholder={label}
                    value={typed[name]}
                    onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
                  />
                  {fields[name] && (
                    <span className="field-problem" role="alert">
                      {fields[name]}
                    </span>
                  )}
                </div>
              ))}
              <Button type="submit" variant="plain">
                {say({ code: 'budgets.save' })}
              </Button>
            </form>
          </td>
        </tr>
      )}
    </>
  );
}
