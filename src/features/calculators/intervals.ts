import { driftForecast } from '@/core/interval/drift-forecast';
import { nextDue } from '@/core/interval/next-due';
import { reliabilityAdvice } from '@/core/interval/reliability';
import { staircaseAdvice } from '@/core/interval/staircase';
import { convert, UNITS } from '@/core/quantity/unit';
import { wilsonInterval } from '@/core/uncertainty/wilson';
import { choice, figure, number, places, rows, type Calculator } from './calculator';

const ADVICE = {
  extend: 'lengthen',
  keep: 'keep',
  shorten: 'shorten',
  recalibrate: 'recalibrate',
  tooLittle: 'cannot tell',
} as const;

export const INTERVALS: Calculator[] = [
  {
    id: 'next-due',
    group: 'Intervals',
    title: 'Next due date',
    source: 'ISO 8601-1 calendar dates; a month that is too short ends on its last day.',
    fields: [
      { kind: 'date', id: 'from', label: 'Calibrated on', initial: '2027-01-31', help: 'YYYY-MM-DD' },
      number('every', 'Every', '1'),
      choice('unit', 'Unit', [
        ['months', 'months'],
        ['days', 'days'],
      ]),
    ],
    compute: (v) => [
      {
        label: 'Due',
        value: nextDue({
          from: v.text('from'),
          every: v.text('unit') === 'days' ? { days: v.number('every') } : { months: v.number('every') },
        }),
      },
    ],
  },
  {
    id: 'reliability',
    group: 'Intervals',
    title: 'Reliability of a group',
    words: 'wilson in tolerance share',
    source: 'ILAC-G24/OIML D 10; Wilson 1927.',
    fields: [
      number('successes', 'Found in tolerance', '45'),
      number('trials', 'of so many visits', '50'),
      number('days', 'Present interval', '180', ['d']),
      number('target', 'Wanted share in tolerance', '0.9'),
    ],
    compute: (v) => {
      const [successes, trials] = [v.number('successes'), v.number('trials')];
      const { lower, upper } = wilsonInterval({ successes, trials, confidence: 0.95 });
      const advice = reliabilityAdvice({
        inTolerance: successes,
        visits: trials,
        days: v.number('days'),
        target: v.number('target'),
      });
      return [
        {
          label: 'Advice',
          value: ADVICE[advice.code],
          ...(advice.days === null ? {} : { unit: `${advice.days} days` }),
          note: advice.sentence,
        },
        { label: 'Share in tolerance, 95 %', value: `${places(lower * 100, 1)} … ${places(upper * 100, 1)}`, unit: '%' },
      ];
    },
  },
  {
    id: 'staircase',
    group: 'Intervals',
    title: 'Staircase for one instrument',
    source: 'ILAC-G24/OIML D 10, automatic adjustment; step sizes: common practice (a tenth up, three tenths down).',
    fields: [number('errorShare', 'As-found error ÷ tolerance', '0.3'), number('days', 'Present interval', '180', ['d'])],
    compute: (v) => {
      const advice = staircaseAdvice({ errorShare: v.number('errorShare'), days: v.number('days') });
      return [{ label: 'Advice', value: ADVICE[advice.code], unit: `${advice.days} days`, note: advice.sentence }];
    },
  },
  {
    id: 'drift-forecast',
    group: 'Intervals',
    title: 'When drift meets the tolerance',
    words: 'trend line forecast prediction',
    source: 'Straight line and its prediction interval (JCGM 100:2008, H.3); from five calibrations of one series on.',
    fields: [
      rows(
        'history',
        'As found',
        ['date', 'error'],
        '2026-01-12 0.1\n2026-03-11 -0.4\n2026-05-12 -0.7\n2026-07-14 -1.2\n2026-09-15 -1.4',
        { words: [0] },
      ),
      number('tolerance', 'Tolerance ±', '2.5'),
    ],
    compute: (v) => {
      const forecast = driftForecast({
        history: v.rows('history').map(([date, error]) => ({ date: String(date), error: error as number })),
        tolerance: v.number('tolerance'),
      });
      return [
        { label: 'May be outside from', value: forecast.meetsToleranceOn ?? '—', note: forecast.sentence },
        { label: 'The line itself meets it', value: forecast.lineMeetsOn ?? '—' },
        { label: 'Drift', value: figure(forecast.perMonth, 3), unit: 'a month', note: `u = ${figure(forecast.sPerMonth, 2)}` },
      ];
    },
  },
];

export const UNIT_CALCULATORS: Calculator[] = [
  {
    id: 'units',
    group: 'Units',
    title: 'Convert',
    words: 'unit ppm hpa psi conductivity temperature ucum',
    source: 'SI brochure, NIST SP 811; codes after The Unified Code for Units of Measure.',
    fields: [
      number('value', 'Value', '1'),
      choice(
        'from',
        'from',
        UNITS.map((unit) => [unit.symbol, unit.symbol]),
        'atm',
      ),
      choice(
        'to',
        'to',
        UNITS.map((unit) => [unit.symbol, unit.symbol]),
        'hPa',
      ),
    ],
    compute: (v) => {
      const to = UNITS.find((unit) => unit.symbol === v.text('to'))!;
      return [
        {
          label: 'Is',
          value: figure(convert({ value: v.text('value'), from: v.text('from'), to: to.symbol }), 9),
          unit: to.symbol,
          note: `UCUM code ${to.ucum}`,
        },
      ];
    },
  },
];
