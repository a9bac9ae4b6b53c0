'use client';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Position } from '@/core/money/position';
import { say } from '@/core/words/say';
import type { Price } from './server/prices';
import '@/core/words/en/money';

export const EMPTY_POSITION: Position = { what: 'part', name: '', partNumber: '', quantity: '1', each: '' };

interface Props {
  position: Position;
  prices: readonly Price[];
  currency: string;
  number: number;
  problem?: string | undefined;
  onChange: (position: Position) => void;
}

/** One line being typed: taken from the prices, or said in one’s own words. */
export function PositionRow({ position, prices, currency, number, problem, onChange }: Props) {
  const take = (id: string) => {
    const found = prices.find((one) => one.id === id);
    onChange(
      found
        ? { ...position, what: found.what, name: found.name, partNumber: found.partNumber, each: found.amount }
        : { ...EMPTY_POSITION, quantity: position.quantity },
    );
  };
  const field = (name: 'name' | 'partNumber' | 'quantity' | 'each', label: string, width: string) => (
    <FormControl
      className={name === 'name' ? '' : 'mono'}
      style={{ width }}
      aria-label={`${label} ${number}`}
      placeholder={label}
      inputMode={name === 'quantity' || name === 'each' ? 'decimal' : 'text'}
      value={position[name]}
      onChange={(event) => onChange({ ...position, [name]: event.target.value })}
    />
  );
  const chosen = prices.find((one) => one.name === position.name && one.partNumber === position.partNumber)?.id ?? '';
  return (
    <div className="d-flex flex-wrap gap-2 mb-2 align-items-start">
      <FormSelect
        style={{ width: '13rem' }}
        aria-label={`${say({ code: 'money.suggest' })} ${number}`}
        value={chosen}
        onChange={(event) => take(event.target.value)}
      >
        <option value="">{say({ code: 'money.own' })}</option>
        {prices.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name} · {one.amount}
          </option>
        ))}
      </FormSelect>
      {field('name', say({ code: 'price.name' }), '15rem')}
      {field('partNumber', say({ code: 'price.partNumber' }), '8rem')}
      {field('quantity', say({ code: 'money.quantity' }), '6rem')}
      {field('each', say({ code: 'money.each', numbers: { currency } }), '8rem')}
      {problem && (
        <div className="field-problem w-100" role="alert">
          {problem}
        </div>
      )}
    </div>
  );
}
