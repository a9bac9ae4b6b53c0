import { say } from '@/core/words/say';
import '@/core/words/en/export';

/** A list as files: the same choice as on the screen. */
export function ExportLinks({
  base,
  query = {},
  calendar = false,
}: {
  base: string;
  query?: Record<string, string | undefined>;
  calendar?: boolean;
}) {
  const href = (as?: string) => {
    const asked = new URLSearchParams(Object.entries({ ...query, as }).flatMap(([key, value]) => (value ? [[key, value]] : [])));
    return asked.size ? `${base}?${asked}` : base;
  };
  return (
    <span className="d-inline-flex gap-2 align-items-center me-2">
      <a className="btn btn-plain" href={href()} download>
        {say({ code: 'export.csv' })}
      </a>
      <a className="btn btn-plain" href={href('xlsx')} download>
        {say({ code: 'export.xlsx' })}
      </a>
      {calendar && (
        <a className="btn btn-plain" href={href('ics')} download>
          {say({ code: 'export.ics' })}
        </a>
      )}
    </span>
  );
}
