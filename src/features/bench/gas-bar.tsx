'use client';
import type { Binding, StimulusSpan } from '@/core/run/state';
import { useNow } from '@/ui/running-clock';
import { duration } from '@/ui/format';

/** While gas flows: time and litres, until it is off. It can't be missed. */
export function GasBar({
  span,
  binding,
  onClose,
  busy,
}: {
  span: StimulusSpan;
  binding: Binding | null;
  onClose: () => void;
  busy: boolean;
}) {
  const now = useNow(250);
  const seconds = now === null ? 0 : Math.max(0, (now - Date.parse(span.onAt)) / 1000);
  const flow = Number(binding?.flowLPerMin ?? 0);
  const litres = (flow * seconds) / 60;
  const left = binding?.reference.availableL === undefined ? null : Number(binding.reference.availableL) - litres;
  return (
    <div className="gas-bar" role="status">
      <span className="pulse" aria-hidden />
      <span>
        GAS IS OPEN
        <br />
        <span className="fw-normal">{binding ? `${binding.reference.name}, lot ${binding.reference.lot}` : span.means}</span>
      </span>
      <span>
        <span className="figure">{duration(seconds)}</span>
      </span>
      {flow > 0 && (
        <span>
          <span className="figure">{litres.toFixed(2)} L</span> <span className="fw-normal">at {flow} L/min</span>
        </span>
      )}
      {left !== null && <span className="fw-normal">about {Math.max(0, left).toFixed(1)} L left</span>}
      <button type="button" className="btn btn-light fw-bold" onClick={onClose} disabled={busy}>
        Gas off <kbd>G</kbd>
      </button>
    </div>
  );
}
