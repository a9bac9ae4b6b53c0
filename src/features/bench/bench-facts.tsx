'use client';
import { say } from '@/core/words/say';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { RunState } from '@/core/record/state';
import { day } from '@/ui/format';
import { SchoolFacts } from './school-facts';
import { ChangeBottle } from './steps/change-bottle';
import type { Sheet } from './sheet';
import '@/core/words/en/services';

/** What stands on the bench: the bottle with its lot and what is left, the room, the rule. */
export function BenchFacts({ sheet }: { sheet: Sheet }) {
  const { view } = sheet;
  const { state } = sheet.run;
  const bound = state.bindings.filter((binding) => !binding.released && !binding.struck);
  const room = state.conditions.at(-1);
  return (
    <div className="sheet bench-facts">
      <h2>At hand</h2>
      <dl className="mb-0">
        {bound.map((binding) => (
          <div key={binding.seq}>
            <dt>{view.procedure.slots.find((slot) => slot.id === binding.slot)?.label ?? binding.slot}</dt>
            <dd>
              <strong>{binding.reference.name}</strong>
              <br />
              <span className="mono">{binding.reference.lot}</span>
              {binding.reference.expires && <span className="quiet"> until {day(binding.reference.expires)}</span>}
              <br />
              {contentOf(binding.reference)}
              {binding.reference.openedUntil && (
                <span className="quiet"> · opened, good until {day(binding.reference.openedUntil)}</span>
              )}
              {lastValue(state, binding.seq) && (
                <>
                  <br />
                  <span className="small">{lastValue(state, binding.seq)}</span>
                </>
              )}
              {binding.reference.availableL && (
                <>
                  <br />
                  {binding.reference.availableL} L left when chosen, {binding.flowLPerMin} L/min
                  {binding.regulator && <>, {binding.regulator.name}</>}
                </>
              )}
              {state.status === 'open' && <ChangeBottle sheet={sheet} slot={binding.slot} />}
            </dd>
          </div>
        ))}
        {bound.length === 0 && (
          <div>
            <dt>Reference</dt>
            <dd className="quiet">none chosen yet</dd>
          </div>
        )}
        {room && (
          <div>
            <dt>Room</dt>
            <dd>
              {[
                room.temperatureC && `${room.temperatureC} °C`,
                room.pressureHPa && `${room.pressureHPa} hPa`,
                room.humidityPercent && `${room.humidityPercent} %`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </dd>
          </div>
        )}
        <dt>Decision rule</dt>
        <dd>{state.started?.rule === 'guarded' ? 'guard band w = U' : 'simple acceptance'}</dd>
        <SchoolFacts procedure={view.procedure} state={state} />
        <dt>Procedure</dt>
        <dd>
          {view.procedure.title}, version {view.procedure.version}
        </dd>
        {view.ticket && (
          <>
            <dt>Asked for</dt>
            <dd>
              {say({ code: `service.${view.ticket.service}` })}
              {view.ticket.promiseOn && `, by ${day(view.ticket.promiseOn)}`}
            </dd>
          </>
        )}
      </dl>
    </div>
  );
}

/** The value at the temperature last read, with what it is computed from. */
function lastValue(state: RunState, binding: number): string | null {
  const last = state.readings.filter((one) => one.target?.binding === binding && one.target.inputs.temperatureC).at(-1);
  return last?.target ? last.target.sentence.split(': ').slice(1).join(': ') : null;
}

/** What a material brings; of measuring equipment, how well it knows what it measures. */
const contentOf = ({ kind, components }: ReferenceSnapshot): string =>
  components
    .filter((one) => kind !== 'tool' || Number(one.expanded) > 0)
    .map(({ substance, value, unit, expanded }) =>
      kind === 'tool' ? `${substance}, U = ${expanded} ${unit}` : `${substance} ${value} ${unit}`,
    )
    .join(' · ');
