'use client';
import Button from 'react-bootstrap/Button';

interface Props {
  /** What was wrong with all of it. */
  message: string;
  save: string;
  leave: string;
  onLeave: () => void;
  /** How one that is there ends. */
  end?: { label: string; act: () => void } | undefined;
}

/** The foot of a small form on a page: what was wrong, save, end, leave. */
export function FormFoot({ message, save, leave, onLeave, end }: Props) {
  return (
    <>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2">
        <Button type="submit" size="sm">
          {save}
        </Button>
        {end && (
          <Button variant="outline-danger" size="sm" onClick={end.act}>
            {end.label}
          </Button>
        )}
        <Button variant="plain" size="sm" onClick={onLeave}>
          {leave}
        </Button>
      </div>
    </>
  );
}
