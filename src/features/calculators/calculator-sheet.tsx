'use client';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Check, Copy, Link2 } from 'lucide-react';
import { useKeys } from '@/ui/use-keys';
import { VerdictMark } from '@/ui/verdict-mark';
import type { Calculator } from './calculator';
import { CalculatorFieldView } from './calculator-field-view';
import { evaluate, toQuery, type Entry } from './evaluate';

/** One calculator: fields on the left, the result beside them as it is typed, its source underneath. */
export function CalculatorSheet({ calculator, initial }: { calculator: Calculator; initial: Entry }) {
  const [entry, setEntry] = useState(initial);
  const [copied, setCopied] = useState('');
  const outcome = useMemo(() => evaluate(calculator, entry), [calculator, entry]);
  const change = (next: Entry) => {
    setEntry(next);
    setCopied('');
    // The address always is the link to what is on the screen.
    window.history.replaceState(null, '', `/calculators?${toQuery(calculator, next)}`);
  };
  const copy = async (what: 'result' | 'link') => {
    const text =
      what === 'link' ? `${window.location.origin}/calculators?${toQuery(calculator, entry)}` : plainText(calculator, entry);
    await navigator.clipboard.writeText(text).then(
      () => setCopied(what),
      () => setCopied('no'),
    );
  };
  useKeys({ c: () => void copy('result'), l: () => void copy('link') });
  const problemOf = (id: string) => (outcome.problem?.field === id ? outcome.problem.sentence : undefined);
  return (
    <section className="sheet calculator" aria-label={calculator.title}>
      <h2>{calculator.title}</h2>
      <div className="calculator-columns">
        <div>
          {calculator.fields.map((field) => (
            <CalculatorFieldView
              key={field.id}
              field={field}
              entry={entry}
              problem={problemOf(field.id)}
              onText={(text) => change({ ...entry, texts: { ...entry.texts, [field.id]: text } })}
              onUnit={(unit) => change({ ...entry, units: { ...entry.units, [field.id]: unit } })}
            />
          ))}
        </div>
        <div className="calculator-result" aria-live="polite" data-testid="result">
          {outcome.problem ? (
            <p className={outcome.problem.field ? 'quiet mb-0' : 'field-problem mb-0'}>
              {outcome.problem.field ? 'No result: see the marked field.' : outcome.problem.sentence}
            </p>
          ) : (
            <dl>
              {outcome.lines.map((line) => (
                <div key={line.label}>
                  <dt>{line.label}</dt>
                  <dd>
                    {line.state ? (
                      <VerdictMark state={line.state} word={line.value} />
                    ) : (
                      <span className="reading-fixed">{line.value}</span>
                    )}
                    {line.unit && <span className="unit-text"> {line.unit}</span>}
                    {line.note && <div className="small quiet">{line.note}</div>}
                  </dd>
                </div>
              ))}
            </dl>
          )}
          <div className="d-flex flex-wrap gap-2 mt-3">
            <Button variant="plain" size="sm" disabled={outcome.problem !== null} onClick={() => copy('result')}>
              {copied === 'result' ? <Check size={15} aria-hidden /> : <Copy size={15} aria-hidden />} Copy <kbd>C</kbd>
            </Button>
            <Button variant="plain" size="sm" onClick={() => copy('link')}>
              {copied === 'link' ? <Check size={15} aria-hidden /> : <Link2 size={15} aria-hidden />} Link <kbd>L</kbd>
            </Button>
            <span role="status" className="small quiet align-self-center">
              {copied === 'no'
                ? 'The browser did not allow copying: the link stands in the address.'
                : copied
                  ? `${copied} copied`
                  : ''}
            </span>
          </div>
        </div>
      </div>
      <p className="calculator-source">{calculator.source}</p>
    </section>
  );
}

function plainText(calculator: Calculator, entry: Entry): string {
  const outcome = evaluate(calculator, entry);
  const given = calculator.fields.map((field) =>
    `${field.label}: ${(entry.texts[field.id] ?? field.initial).replace(/\n/g, '; ')} ${field.kind === 'number' ? (entry.units[field.id] ?? field.units?.[0] ?? '') : ''}`.trim(),
  );
  const found = (outcome.lines ?? []).map((line) => `${line.label}: ${line.value} ${line.unit ?? ''}`.trim());
  return [calculator.title, ...given, ...found, calculator.source].join('\n');
}
