'use client';
import { useId, type ReactElement, type ReactNode, cloneElement } from 'react';

/** A label, its control, help, and the message that belongs to it. */
export function Field({
  label,
  problem,
  help,
  children,
}: {
  label: ReactNode;
  problem?: string | undefined;
  help?: ReactNode;
  children: ReactElement<{ id?: string; 'aria-invalid'?: boolean; 'aria-describedby'?: string }>;
}) {
  const id = useId();
  return (
    <div className="mb-2">
      <label className="form-label mb-1" htmlFor={id}>
        {label}
      </label>
      {cloneElement(children, {
        id,
        'aria-invalid': Boolean(problem),
        ...(problem ? { 'aria-describedby': `${id}-problem` } : {}),
      })}
      {help && <div className="quiet small">{help}</div>}
      {problem && (
        <div className="field-problem" id={`${id}-problem`} role="alert">
          {problem}
        </div>
      )}
    </div>
  );
}
