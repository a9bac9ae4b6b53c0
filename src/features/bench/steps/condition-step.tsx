'use client';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ROOM } from '@/core/record/room';
import { type RoomQuantity } from '@/core/procedure/room-quantity';
import type { PlannedStep } from '@/core/run/plan-node';
import { say } from '@/core/words/say';
import { boundReference } from '@/core/record/state';
import { Field } from '@/ui/field';
import { useKept } from '@/ui/use-kept';
import { useKeys } from '@/ui/use-keys';
import { LineKey } from './line-key';
import type { Sheet } from '../sheet';

const NOTHING: { figures: Partial<Record<RoomQuantity, string>>; equipment: Partial<Record<RoomQuantity, string>> } = {
  figures: {},
  equipment: {},
};
const QUANTITIES = {
  temperatureC: { label: 'Temperature, °C', example: '21.5', line: 'hygrometer', slot: 2 },
  pressureHPa: { label: 'Air pressure, hPa', example: '1013', line: 'barometer', slot: 1 },
  humidityPercent: { label: 'Relative humidity, %', example: '45', line: 'hygrometer', slot: 1 },
} as const;

/** Temperature, pressure, humidity, each by its equipment: read off a line by a press, or typed and the piece named. */
export function ConditionStep({
  sheet,
  present,
  quantities,
}: {
  sheet: Sheet;
  present: PlannedStep;
  quantities: RoomQuantity[];
}) {
  const { run, view } = sheet;
  const [kept, keep] = useKept(`${run.state.run}/${present.key}/room`, NOTHING);
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);
  const asked = (quantity: RoomQuantity) => view.procedure.slots.some((slot) => slot.id === ROOM[quantity].slot);
  const serving = (quantity: RoomQuantity) =>
    view.shelf.filter(
      (one) =>
        one.kind === 'tool' && one.role !== '' && one.components.some((part) => part.substance === ROOM[quantity].substance),
    );
  const sound = (quantity: RoomQuantity) =>
    serving(quantity).find((one) => !one.unusable && one.accepted && !(one.expires && one.expires < view.today));
  const chosen = (quantity: RoomQuantity): string =>
    kept.equipment[quantity] ?? boundReference(run.state, ROOM[quantity].slot)?.reference.id ?? sound(quantity)?.id ?? '';
  // Several lines are taken in one press: each adds to what the one before took.
  const latest = useRef(kept);
  useEffect(() => {
    latest.current = kept;
  });
  const takeFrom = (quantity: RoomQuantity, text: string, reference: string | undefined) => {
    const { figures, equipment } = latest.current;
    latest.current = {
      figures: { ...figures, [quantity]: text },
      equipment: { ...equipment, ...(reference ? { [quantity]: reference } : {}) },
    };
    keep(latest.current);
  };
  const onLine = quantities.some((quantity) =>
    view.benchLines.some((one) => one.kind === QUANTITIES[quantity].line && one.state === 'connected'),
  );
  // One key for all that a line shows; what it shows is still in sight before it is recorded.
  useKeys({ l: () => document.querySelectorAll<HTMLElement>('[data-line-take]').forEach((one) => one.click()) });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const equipment = Object.fromEntries(
      quantities.flatMap((quantity) => (asked(quantity) && chosen(quantity) ? [[quantity, chosen(quantity)]] : [])),
    );
    const refused = await run.send({ type: 'completeStep', step: present.key, conditions: kept.figures, equipment });
    setProblem(refused ? { field: refused.field ?? '', text: refused.sentence } : null);
  };
  return (
    <form onSubmit={send}>
      <div className="d-flex flex-wrap gap-3">
        {quantities.map((quantity, index) => {
          const { label, example, line, slot } = QUANTITIES[quantity];
          return (
            <div key={quantity} style={{ width: '13rem' }}>
              <Field label={label} problem={problem?.field === quantity ? problem.text : undefined}>
                <Form.Control
                  className="mono"
                  inputMode="decimal"
                  autoFocus={index === 0 && !onLine}
                  placeholder={example}
                  value={kept.figures[quantity] ?? ''}
                  onChange={(event) => keep({ ...kept, figures: { ...kept.figures, [quantity]: event.target.value.trim() } })}
                />
              </Field>
              {asked(quantity) && (
                <Form.Select
                  size="sm"
                  className="mb-1"
                  aria-label={`${label.split(',')[0]} read by`}
                  value={chosen(quantity)}
                  onChange={(event) => keep({ ...kept, equipment: { ...kept.equipment, [quantity]: event.target.value } })}
                >
                  <option value="">read by …</option>
                  {serving(quantity).map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name} {one.lot}
                    </option>
                  ))}
                </Form.Select>
              )}
              <LineKey
                view={view}
                kind={line}
                slot={slot}
                unit={ROOM[quantity].unit}
                onTake={(text, reference) => takeFrom(quantity, text, reference)}
              />
            </div>
          );
        })}
      </div>
      {problem && !quantities.includes(problem.field as RoomQuantity) && (
        <p className="field-problem" role="alert">
          {problem.text}
        </p>
      )}
      <Button data-main-action type="submit" size="lg" disabled={run.busy} className="mt-2">
        Record <kbd>N</kbd>
      </Button>
      {onLine && (
        <span className="quiet ms-3">
          <kbd>L</kbd> {say({ code: 'room.takeAll' })}
        </span>
      )}
    </form>
  );
}
