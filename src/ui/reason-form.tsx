'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';

const SHORTEST = 3;

/** A reason in a few words: one key from a short list while nothing is typed, or free text. Wet hands write little. */
export function ReasonForm({
  label,
  reasons,
  act,
  busy,
  problem,
  danger = false,
  onSend,
  onStay,
}: {
  label: string;
  reasons: readonly string[];
  act: string;
  busy: boolean;
  problem?: string | undefined;
  danger?: boolean;
  onSend: (reason: string) => void;
  onStay?: () => void;
}) {
  const [text, setText] = useState('');
  const pick = (event: React.KeyboardEvent) => {
    const reason = text === '' ? reasons[Number(event.key) - 1] : undefined;
    if (!reason || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    onSend(reason);
  };
  return (
    <form
      className="reason-form mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim().length >= SHORTEST) onSend(text.trim());
      }}
    >
      {problem && (
        <div className="field-problem mb-1" role="alert">
          {problem}
        </div>
      )}
      <div className="d-flex flex-wrap gap-2 mb-2">
        {reasons.map((reason, index) => (
          <Button key={reason} size="sm" variant="plain" disabled={busy} onClick={() => onSend(reason)}>
            <kbd>{index + 1}</kbd> {reason}
          </Button>
        ))}
      </div>
      <div className="d-flex gap-2" style={{ maxWidth: '38rem' }}>
        <input
          className="form-control"
          autoFocus
          aria-label={label}
          placeholder={label}
          value={text}
          onKeyDown={pick}
          onChange={(event) => setText(event.target.value)}
        />
        <Button type="submit" {...(danger ? { variant: 'outline-danger' } : {})} disabled={busy || text.trim().length < SHORTEST}>
          {act}
        </Button>
        {onStay && (
          <Button variant="plain" onClick={onStay}>
            Stay
          </Button>
        )}
      </div>
    </form>
  );
}
