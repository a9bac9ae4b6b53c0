'use client';
import { useEffect, useRef } from 'react';
import type { Binding, StimulusSpan } from '@/core/record/state';
import { useNow } from '@/ui/running-clock';
import { duration } from '@/ui/format';
import { soundIsOn, tone } from './places/sound';

/** Longer than any reading takes: the valve was forgotten. */
const FORGOTTEN_SECONDS = 240;
const CALL_AGAIN_SECONDS = 15;

/** While gas flows: time, litres and money, until it is off. It can't be missed, and calls when it was forgotten or the bottle is empty. */
export function GasBar({
  span,
  binding,
  onClose,
  busy,
  advice,
  currency,
  flow: measured,
}: {
  span: StimulusSpan;
  binding: Binding | null;
  onClose: () => void;
  busy: boolean;
  advice: string | null;
  currency: string;
  /** L/min by the flow meter in line, if there is one. */
  flow: number | null;
}) {
  const now = useNow(250);
  const called = useRef(0);
  const seconds = now === null ? 0 : Math.max(0, (now - Date.parse(span.onAt)) / 1000);
  const flow = Number(binding?.flowLPerMin ?? 0);
  const litres = (flow * seconds) / 60;
  const left = binding?.reference.availableL === undefined ? null : Number(binding.reference.availableL) - litres;
  const cost = binding?.reference.pricePerL === undefined ? null : Number(binding.reference.pricePerL) * litres;
  const forgotten = seconds > FORGOTTEN_SECONDS;
  const empty = left !== null && left <= 0;
  useEffect(() => {
    if (!forgotten && !empty) return;
    if (seconds - called.current < CALL_AGAIN_SECONDS) return;
    called.current = seconds;
    if (soundIsOn()) tone('alarm');
  }, [forgotten, empty, seconds]);
  return (
    <div className={`gas-bar${forgotten || empty ? ' calls' : ''}`} role={forgotten || empty ? 'alert' : 'status'}>
      <span className="pulse" aria-hidden />
      <span>
        {empty ? 'BOTTLE IS EMPTY' : forgotten ? 'GAS STILL OPEN' : 'GAS IS OPEN'}
        <br />
        <span className="fw-normal">{binding ? `${binding.reference.name}, lot ${binding.reference.lot}` : span.means}</span>
      </span>
      <span>
        <span className="figure">{duration(seconds)}</span>
      </span>
      {flow > 0 && (
        <span>
          <span className="figure">{litres.toFixed(2)} L</span> <span className="fw-normal">at {flow} L/min</span>
          {measured !== null && <span className="fw-normal">, flow meter {measured.toFixed(2)}</span>}
        </span>
      )}
      {cost !== null && (
        <span>
          <span className="figure">{cost.toFixed(2)}</span> <span className="fw-normal">{currency}</span>
        </span>
      )}
      {left !== null && (
        <span className="fw-normal">
          {empty ? 'Close it, choose another bottle beside, go on: both stay on record.' : `about ${left.toFixed(1)} L left`}
        </span>
      )}
      {advice && <span className="advice">{advice}</span>}
      <button type="button" className="btn btn-light fw-bold" onClick={onClose} disabled={busy}>
        Gas off <kbd>G</kbd>
      </button>
    </div>
  );
}
