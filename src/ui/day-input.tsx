'use client';
import { useRef, useState } from 'react';
import { CalendarDays } from 'lucide-react';
import { readDay } from '@/core/quantity/read-day';
import { say } from '@/core/words/say';
import { day } from './format';
import { useDayOrder } from './day-order';
import '@/core/words/en/day';

interface Props {
  /** YYYY-MM-DD, '' for none; what is typed and is no day, as it was typed. */
  value: string;
  onChange: (value: string) => void;
  /** For a form that the browser sends itself. */
  name?: string;
  /** Given by the field it stands in. */
  id?: string;
  'aria-invalid'?: boolean;
  'aria-describedby'?: string;
  'aria-label'?: string;
}

const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text);

/** A day as people write it, in the workshop's order where two could be meant; shown with the month's name, so that nobody reads it otherwise. The browser's own calendar opens beside it. */
export function DayInput({ value, onChange, name, ...field }: Props) {
  const order = useDayOrder();
  const [typed, setTyped] = useState<string | null>(null);
  const calendar = useRef<HTMLInputElement>(null);
  const read = (text: string) => readDay(text, order) ?? text.trim();
  return (
    <span className="day-input">
      <input
        {...field}
        type="text"
        className="form-control"
        autoComplete="off"
        placeholder={say({ code: 'day.example' })}
        value={typed ?? (isDay(value) ? day(value) : value)}
        onChange={(event) => {
          setTyped(event.target.value);
          onChange(read(event.target.value));
        }}
        onBlur={() => setTyped(null)}
      />
      {name && <input type="hidden" name={name} value={value} />}
      <input
        ref={calendar}
        type="date"
        tabIndex={-1}
        aria-hidden
        value={isDay(value) ? value : ''}
        onChange={(event) => onChange(event.target.value)}
      />
      <button type="button" aria-label={say({ code: 'day.calendar' })} onClick={() => calendar.current?.showPicker()}>
        <CalendarDays size={18} aria-hidden />
      </button>
    </span>
  );
}
