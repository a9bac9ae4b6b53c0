import { sensorHealth, zeroAndSpanDrift } from '@/core/gas/drift';
import { detectPlateau } from '@/core/stability/detect-plateau';
import { estimateFinal } from '@/core/stability/estimate-final';
import { fitResponse } from '@/core/stability/fit-response';
import { timeToShare } from '@/core/stability/response-times';
import { costPerRun } from '@/core/supply/cost-per-run';
import { gasAvailable } from '@/core/supply/gas-available';
import { runsLeft } from '@/core/supply/runs-left';
import { runsOutOn } from '@/core/supply/runs-out-on';
import { figure, number, places, rows, type Calculator } from './calculator';

/** An example: 50 units, τ 9 s, a display of whole digits, a reading every two seconds. */
const TRACE = Array.from({ length: 36 }, (_unused, i) => `${i * 2} ${Math.round(50 * (1 - Math.exp((-i * 2) / 9)))}`).join('\n');

/** The bottle, the sensor, and a response on the bench. */
export const GAS_BENCH: Calculator[] = [
  {
    id: 'bottle',
    group: 'Gas',
    title: 'Bottle: content, runs, cost',
    words: 'cylinder gas left litres price',
    source: 'Boyle: water volume · gauge pressure ÷ 1 atm, compressibility left aside; waste share: common practice (13 %).',
    fields: [
      number('waterVolumeL', 'Water volume', '1', ['L', 'mL']),
      number('gaugePressureBar', 'Gauge pressure', '34.5', ['bar', 'psi', 'kPa']),
      number('flowLPerMin', 'Flow', '0.5', ['L/min', 'mL/min']),
      number('minutes', 'Gas a run', '2', ['min', 's']),
      number('wasteFactor', 'Waste, as a share', '0.13'),
      number('price', 'Price of the full bottle', '170'),
      number('contentL', 'Litres when full', '34', ['L']),
    ],
    compute: (v) => {
      const availableL = gasAvailable({ waterVolumeL: v.number('waterVolumeL'), gaugePressureBar: v.number('gaugePressureBar') });
      const use = { flowLPerMin: v.number('flowLPerMin'), minutes: v.number('minutes'), wasteFactor: v.number('wasteFactor') };
      return [
        { label: 'Left', value: figure(availableL, 4), unit: 'L' },
        { label: 'Runs left', value: String(runsLeft({ availableL, ...use })) },
        {
          label: 'Gas of one run costs',
          value: places(costPerRun({ price: v.number('price'), contentL: v.number('contentL'), ...use }), 2),
        },
      ];
    },
  },
  {
    id: 'sensor',
    group: 'Gas',
    title: 'Sensor: health and drift',
    words: 'raw output new zero span sensitivity',
    source: 'Raw output now against new (common practice); zero and span drift by the straight line through both.',
    fields: [
      number('rawNow', 'Raw output now', '0.31'),
      number('rawNew', 'Raw output when new', '0.50'),
      number('then.zero', 'At zero, left', '0'),
      number('then.span', 'At the gas, left', '50'),
      number('now.zero', 'At zero, found', '1'),
      number('now.span', 'At the gas, found', '46'),
    ],
    compute: (v) => {
      const moved = zeroAndSpanDrift({
        then: { zero: v.number('then.zero'), span: v.number('then.span') },
        now: { zero: v.number('now.zero'), span: v.number('now.span') },
      });
      return [
        {
          label: 'Health',
          value: figure(sensorHealth({ rawNow: v.number('rawNow'), rawNew: v.number('rawNew') }).percent, 3),
          unit: '% of new',
        },
        { label: 'Zero moved by', value: figure(moved.zero, 4) },
        { label: 'Sensitivity changed by', value: figure(moved.spanPercent, 3), unit: '%' },
      ];
    },
  },
  {
    id: 'runs-out',
    group: 'Gas',
    title: 'Bottle: until when?',
    words: 'booked work reorder runs out',
    source: 'Arithmetic: the first day on which booked work needs more than is left.',
    fields: [
      number('availableL', 'Left', '12', ['L']),
      rows('booked', 'Booked work', ['date', 'litres'], '2026-12-01 4\n2026-12-03 6\n2026-12-08 5', { words: [0] }),
    ],
    compute: (v) => {
      const booked = v.rows('booked').map(([date, litres]) => ({ date: String(date), litres: litres as number }));
      const day = runsOutOn({ availableL: v.number('availableL'), booked });
      return [
        { label: 'Runs out on', value: day ?? 'lasts for all of it', state: day ? 'cannotTell' : 'within' },
        { label: 'Booked in all', value: figure(booked.reduce((sum, one) => sum + one.litres, 0)), unit: 'L' },
      ];
    },
  },
  {
    id: 'response',
    group: 'Gas',
    title: 'Response of a trace: T50, T90, plateau',
    words: 'signal settle stable time constant sensor estimate',
    source:
      'First-order step response (T90 = ln 10 · τ); T90 of the trace read off between readings; plateau by slope and spread over 20 s (common practice).',
    fields: [
      rows('samples', 'Readings, gas on at 0 s', ['seconds', 'reading'], TRACE, {
        help: 'Paste a log: seconds and reading, a line each.',
      }),
      number('resolution', 'Step of the display', '1'),
      number('expectedChange', 'Change that the gas asks for', '50'),
    ],
    compute: (v) => {
      const samples = v.rows('samples').map(([seconds, value]) => ({ seconds: seconds as number, value: value as number }));
      const [resolution, expectedChange] = [v.number('resolution'), v.number('expectedChange')];
      const fit = fitResponse({ samples });
      const plateau = detectPlateau({ samples, windowSeconds: 20, maxSlopePerMinute: 2 * resolution, maxSpread: 2 * resolution });
      const estimate = estimateFinal({ samples, resolution, expectedChange });
      const measured = plateau && samples[0] ? timeToShare({ samples, initial: samples[0].value, final: plateau.value }) : null;
      return [
        plateau
          ? { label: 'Settled on', value: figure(plateau.value), note: `after ${figure(plateau.seconds)} s`, state: 'within' }
          : { label: 'Settled on', value: 'not settled', state: 'cannotTell' },
        ...(measured === null ? [] : [{ label: 'T90, read off the trace', value: places(measured, 1), unit: 's' }]),
        fit
          ? {
              label: 'First order: τ, T50, T90',
              value: [fit.tauSeconds, fit.t50Seconds, fit.t90Seconds].map((one) => places(one, 1)).join(' · '),
              unit: 's',
            }
          : { label: 'First order', value: 'no fit', note: 'Too few readings, no change, or not bent yet.' },
        estimate.value === null
          ? { label: 'Where it will settle', value: 'nothing said', note: estimate.sentence }
          : { label: 'Where it will settle, 95 %', value: `${figure(estimate.low, 4)} … ${figure(estimate.high, 4)}` },
      ];
    },
  },
];
