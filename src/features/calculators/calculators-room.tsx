'use client';
import { useEffect, useRef, useState } from 'react';
import { KeyStrip } from '@/ui/key-strip';
import { useKeys } from '@/ui/use-keys';
import { CALCULATORS } from './all-calculators';
import { GROUPS, type Calculator } from './calculator';
import { CalculatorSheet } from './calculator-sheet';
import { fromQuery } from './evaluate';
import { SIMULATION } from './simulation-request';
import { SimulationSheet } from './simulation-sheet';

const ALL = [...CALCULATORS, SIMULATION].sort((a, b) => GROUPS.indexOf(a.group) - GROUPS.indexOf(b.group));
const matches = (calculator: Calculator, text: string) =>
  text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => `${calculator.title} ${calculator.group} ${calculator.words ?? ''}`.toLowerCase().includes(word));

/** All calculators: the list with its search on the left, the chosen one beside it. The address carries which one, and what was typed. */
export function CalculatorsRoom({ query }: { query: Record<string, string> }) {
  const [chosen, setChosen] = useState(ALL.find((one) => one.id === query.c) ?? ALL[0]!);
  const [initial, setInitial] = useState(() => fromQuery(chosen, query));
  const [search, setSearch] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLElement>(null);
  useEffect(() => {
    const entry = list.current?.querySelector<HTMLElement>('[aria-current="true"]');
    // Inside the list only: the page itself must not jump.
    if (entry && list.current) list.current.scrollTop = Math.max(0, entry.offsetTop - list.current.clientHeight / 2);
  }, [chosen]);
  const shown = ALL.filter((one) => matches(one, search));
  const choose = (calculator: Calculator | undefined) => {
    if (!calculator || calculator === chosen) return;
    setChosen(calculator);
    setInitial({ texts: {}, units: {} });
    window.history.replaceState(null, '', `/calculators?c=${calculator.id}`);
  };
  const toFields = () => sheet.current?.querySelector<HTMLElement>('input, textarea, select')?.focus();
  const move = (by: number) => choose(shown[(shown.indexOf(chosen) + by + shown.length) % shown.length]);
  const onSearchKey = (event: React.KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      move(event.key === 'ArrowDown' ? 1 : -1);
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      if (!shown.includes(chosen)) choose(shown[0]);
      // After the chosen one has been drawn.
      requestAnimationFrame(toFields);
    }
  };
  useKeys({ f: () => field.current?.focus(), ArrowDown: () => move(1), ArrowUp: () => move(-1), Enter: toFields });
  return (
    <>
      <div
        className="calculators"
        onKeyDown={(event) => event.key === 'Escape' && (document.activeElement as HTMLElement | null)?.blur()}
      >
        <nav ref={list} className="calculator-list" aria-label="Calculators">
          <input
            ref={field}
            className="form-control"
            type="search"
            autoFocus
            aria-label="Find a calculator"
            placeholder="Find: gas, slope, salinity …"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            onKeyDown={onSearchKey}
          />
          {GROUPS.map((group) => {
            const some = shown.filter((one) => one.group === group);
            return (
              some.length > 0 && (
                <section key={group} aria-label={group}>
                  <h2>{group}</h2>
                  {some.map((one) => (
                    <button key={one.id} type="button" aria-current={one === chosen} onClick={() => choose(one)}>
                      {one.title}
                    </button>
                  ))}
                </section>
              )
            );
          })}
          {shown.length === 0 && <p className="quiet mt-3">Nothing by that name.</p>}
        </nav>
        <div ref={sheet}>
          {chosen === SIMULATION ? (
            <SimulationSheet initial={initial} />
          ) : (
            <CalculatorSheet key={chosen.id} calculator={chosen} initial={initial} />
          )}
        </div>
      </div>
      <KeyStrip
        keys={[
          ['F', 'find'],
          ['↑ ↓', 'choose'],
          ['Enter', 'to the fields'],
          ['Esc', 'out of a field'],
          ['C', 'copy'],
          ['L', 'copy the link'],
          ['/', 'scan'],
        ]}
      />
    </>
  );
}
