import { describe, expect, it } from 'vitest';
import { eachDayOfInterval, format, startOfISOWeek } from 'date-fns';
import { fitOf, hasRoom, mondayOf } from './week-load';

const amount = (instruments: number, hours = instruments / 2) => ({ instruments, hours });

describe('weeks', () => {
  it('begin on Monday, over the turn of the year too (as date-fns has the ISO week)', () => {
    for (const day of eachDayOfInterval({ start: new Date(2026, 11, 20), end: new Date(2027, 0, 12) }))
      expect(mondayOf(format(day, 'yyyy-MM-dd'))).toBe(format(startOfISOWeek(day), 'yyyy-MM-dd'));
    expect(() => mondayOf('soon')).toThrow(RangeError);
  });
});

describe('what fits into a week', () => {
  it('what is booked before what is due; nothing is lost or made up, whatever the ceiling', () => {
    for (let booked = 0; booked <= 30; booked += 3)
      for (let due = 0; due <= 30; due += 5)
        for (const ceiling of [
          { instruments: 20, hours: null },
          { instruments: null, hours: 8 },
          { instruments: 12, hours: 20 },
        ]) {
          const fit = fitOf({ week: '2026-11-30', booked: amount(booked), due: amount(due) }, ceiling);
          expect(fit.booked + fit.due + fit.beyond).toBe(booked + due);
          // Half an hour each: eight hours are sixteen instruments.
          const most = Math.min(ceiling.instruments ?? Infinity, ceiling.hours === null ? Infinity : ceiling.hours * 2);
          expect(fit.booked + fit.due).toBe(Math.min(booked + due, most));
          if (fit.due > 0) expect(fit.booked).toBe(booked);
        }
  });
  it('without a ceiling all fits; a booking fits up to the last place and no further', () => {
    expect(fitOf({ week: '2026-11-30', booked: amount(900), due: amount(9) }, { instruments: null, hours: null }).beyond).toBe(0);
    expect(hasRoom(amount(38), amount(2), { instruments: 40, hours: null })).toBe(true);
    expect(hasRoom(amount(39), amount(2), { instruments: 40, hours: null })).toBe(false);
    expect(hasRoom(amount(10, 7.9), amount(1, 0.1), { instruments: null, hours: 8 })).toBe(true);
    expect(hasRoom(amount(10, 7.9), amount(1, 0.2), { instruments: null, hours: 8 })).toBe(false);
  });
});
