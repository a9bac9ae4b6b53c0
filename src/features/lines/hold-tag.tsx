'use client';
import { useState } from 'react';
import { attempt } from '@/platform/client/result';
import { askPanelAction } from './actions';

/** The hand at a simulated tag reader: holds the tag of a lot to it. */
export function HoldTag({ lineId }: { lineId: string }) {
  const [lot, setLot] = useState('FG-1500');
  const [said, setSaid] = useState('');
  const hold = async (event: React.FormEvent) => {
    event.preventDefault();
    const answer = await attempt(() => askPanelAction({ lineId, mixture: undefined, tag: lot.trim() }));
    setSaid(!answer.ok ? answer.message : answer.value.tag ? '' : `no tag of lot ${lot}`);
  };
  return (
    <form className="d-flex gap-2 align-items-center stand-in py-1 mt-0" onSubmit={hold}>
      <span className="small">Simulated reader: hold to it the tag of lot</span>
      <input
        className="form-control form-control-sm mono"
        style={{ width: '8rem' }}
        aria-label="Lot of the tag"
        value={lot}
        onChange={(event) => setLot(event.target.value)}
      />
      <button type="submit" className="btn btn-plain btn-sm">
        Hold it
      </button>
      {said && <span className="field-problem">{said}</span>}
    </form>
  );
}
