'use client';
import type { SampleQuantity, Samples } from '@/core/instrument/samples';
import { SERVICES } from '@/core/instrument/service';
import type { StatusId } from '@/core/results/instrument-status';
import { say } from '@/core/words/say';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { StatusMark } from '@/ui/status-mark';
import { SamplesFields } from './samples-fields';
import { Inspection } from './inspection';
import type { Line } from './line';
import type { DecisionRule } from '@/core/uncertainty/decide';
import { inspectionFor } from './receive-schema';
import '@/core/words/en/paper';
import '@/core/words/en/services';

export function newLine(
  asset: {
    id: string;
    maker: string;
    model: string;
    serial: string;
    agreesDue: boolean;
    rule: DecisionRule;
    measurands: string[];
    status: StatusId;
    samples: Samples | null;
    asksSamples: SampleQuantity[];
  },
  promiseOn: string,
): Line {
  return {
    assetId: asset.id,
    title: `${asset.maker} ${asset.model}`,
    serial: asset.serial,
    service: 'calibrate',
    rule: asset.rule,
    promiseOn,
    dueAgreed: asset.agreesDue,
    note: '',
    measurands: asset.measurands,
    asksSamples: asset.asksSamples,
    ...(asset.asksSamples.length ? { samples: asset.samples ?? {} } : {}),
    status: asset.status,
    inspection: Object.fromEntries(inspectionFor(asset.measurands).map((item) => [item.id, { result: 'notLookedAt', note: '' }])),
  };
}

/** One instrument of the receipt: what is asked for, when it is promised, and the look at it. */
export function InstrumentLine({
  line,
  problems,
  onChange,
  onRemove,
}: {
  line: Line;
  problems: Record<string, string>;
  onChange: (line: Line) => void;
  onRemove: () => void;
}) {
  const [open, setOpen] = useState(true);
  const set = (change: Partial<Line>) => onChange({ ...line, ...change });
  const inspect = (ids: string[], change: Partial<Line['inspection'][string]>) =>
    set({
      inspection: {
        ...line.inspection,
        ...Object.fromEntries(ids.map((id) => [id, { ...line.inspection[id]!, ...change }])),
      },
    });
  const faults = Object.values(line.inspection).filter((entry) => entry.result === 'fault').length;
  const unseen = Object.values(line.inspection).filter((entry) => entry.result === 'notLookedAt').length;
  return (
    <div className="sheet mb-2" data-testid={`line-${line.serial}`}>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <strong className="fs-5">{line.title}</strong>
        <span className="mono">{line.serial}</span>
        <StatusMark status={line.status} />
        <span className="quiet">{say({ code: 'inspection.sum', numbers: { faults, open: unseen } })}</span>
        <span className="ms-auto d-flex gap-2">
          <Button variant="plain" size="sm" onClick={() => setOpen(!open)}>
            {open ? 'Close' : 'Open'}
          </Button>
          <Button variant="plain" size="sm" onClick={onRemove}>
            Take off
          </Button>
        </span>
      </div>
      {problems.assetId && (
        <div className="field-problem" role="alert">
          {problems.assetId}
        </div>
      )}
      {open && (
        <>
          <div className="row mt-2">
            <div className="col-md-3">
              <Field label="Service">
                <Form.Select
                  value={line.service}
                  onChange={(event) => set({ service: SERVICES.find((one) => one === event.target.value)! })}
                >
                  {SERVICES.map((one) => (
                    <option key={one} value={one}>
                      {say({ code: `service.${one}` })}
                    </option>
                  ))}
                </Form.Select>
              </Field>
            </div>
            <div className="col-md-3">
              <Field label="Promised for" problem={problems.promiseOn}>
                <DayInput value={line.promiseOn} onChange={(value) => set({ promiseOn: value })} />
              </Field>
            </div>
            <div className="col-md-3">
              <Field label="Decision rule">
                <Form.Select value={line.rule} onChange={(event) => set({ rule: event.target.value })}>
                  <option value="simple">simple acceptance</option>
                  <option value="guarded">guard band w = U</option>
                </Form.Select>
              </Field>
            </div>
            <div className="col-md-3 pt-md-4">
              <Form.Check
                className="mt-md-2"
                id={`due-${line.assetId}`}
                checked={line.dueAgreed}
                onChange={(event) => set({ dueAgreed: event.target.checked })}
                label="Due date may stand on certificate and label"
              />
            </div>
          </div>
          {line.asksSamples?.length > 0 && (
            <SamplesFields
              asked={line.asksSamples}
              typed={line.samples ?? {}}
              problems={Object.fromEntries(
                Object.entries(problems).flatMap(([path, message]) =>
                  path.startsWith('samples.') ? [[path.slice('samples.'.length), message]] : [],
                ),
              )}
              onChange={(samples) => set({ samples })}
            />
          )}
          <Inspection line={line} problems={problems} inspect={inspect} />
          <Field label="Note">
            <Form.Control
              value={line.note}
              onChange={(event) => set({ note: event.target.value })}
              placeholder="What the customer told us, accessories"
            />
          </Field>
        </>
      )}
    </div>
  );
}
