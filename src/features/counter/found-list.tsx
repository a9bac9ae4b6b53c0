import { say } from '@/core/words/say';
import type { Hits } from './server/find-anything';
import '@/core/words/en/find';

/** What was found, a few of each kind. Pressed or chosen by arrow keys. */
export function FoundList({
  id,
  groups,
  chosen,
  typed,
  go,
}: {
  id: string;
  groups: Hits[];
  chosen: number;
  typed: string;
  go: (href: string) => void;
}) {
  const starts = groups.map((_group, index) => groups.slice(0, index).reduce((sum, one) => sum + one.hits.length, 0));
  return (
    <div className="found" id={id} role="listbox" aria-label={say({ code: 'find.found' })} data-testid="found">
      {groups.length === 0 && <p className="quiet mb-0 px-2">{say({ code: 'find.none', numbers: { text: typed } })}</p>}
      {groups.map(({ group, hits, alike }, at) => (
        <div key={group} role="group" aria-label={say({ code: `find.${group}` })}>
          <div className="found-group">
            {say({ code: `find.${group}` })}
            {alike && <span className="fw-normal"> {say({ code: 'find.alike' })}</span>}
          </div>
          {hits.map((hit, index) => (
            <button
              key={`${hit.href} ${hit.label} ${index}`}
              id={`${id}-${starts[at]! + index}`}
              type="button"
              role="option"
              aria-selected={starts[at]! + index === chosen}
              tabIndex={-1}
              // Before the field loses its focus, which would take the list away.
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => go(hit.href)}
            >
              <span>{hit.label}</span> <span className="quiet small">{hit.about}</span>
            </button>
          ))}
        </div>
      ))}
    </div>
  );
}
