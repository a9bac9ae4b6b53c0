'use client';
import { useId } from 'react';

/** A button that lets somebody choose files; the same file may be chosen again. */
export function FileButton({
  label,
  accept,
  multiple = false,
  className = '',
  take,
}: {
  label: string;
  accept: string;
  multiple?: boolean;
  className?: string;
  take: (files: readonly File[]) => void;
}) {
  const id = useId();
  return (
    <label className={`btn btn-plain mb-0 ${className}`} htmlFor={id}>
      {label}
      <input
        id={id}
        type="file"
        multiple={multiple}
        accept={accept}
        className="visually-hidden"
        onChange={(event) => {
          take([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
    </label>
  );
}
