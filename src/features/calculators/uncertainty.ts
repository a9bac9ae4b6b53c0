import { roundHalfEven } from '@/core/quantity/round-half-even';
import { roundUncertainty } from '@/core/quantity/round-uncertainty';
import { budget, type BudgetComponent, type Distribution } from '@/core/uncertainty/budget';
import { conformityProbability } from '@/core/uncertainty/conformity-probability';
import { decide, type DecisionRule } from '@/core/uncertainty/decide';
import { fitLine } from '@/core/uncertainty/fit-line';
import { coverageFactor } from '@/core/uncertainty/student';
import { choice, figure, number, places, rows, type Calculator } from './calculator';

export const DISTRIBUTIONS = ['normal', 'rectangular', 'triangular', 'u-shaped'] as const;
const DECISION = {
  pass: ['within tolerance', 'within'],
  fail: ['outside tolerance', 'outside'],
  undecided: ['cannot tell', 'cannotTell'],
} as const;

export const UNCERTAINTY: Calculator[] = [
  {
    id: 'budget',
    group: 'Uncertainty',
    title: 'Budget',
    words: 'combined expanded coverage factor welch satterthwaite gum',
    source: 'JCGM 100:2008: 4.3 (distributions), 5.1.2 (combination), G.4 (effective degrees of freedom), 7.2.6 (two digits).',
    fields: [
      rows(
        'components',
        'Components',
        ['name', 'half-width', 'distribution', 'sensitivity'],
        'reference 2 normal 1\nresolution 0.5 rectangular 1\ntemperature 0.3 rectangular 1',
        { words: [0, 2], help: `Distribution: ${DISTRIBUTIONS.join(', ')}. A normal one is divided by 2.` },
      ),
      number('result', 'Result it belongs to', '98'),
      number('coverage', 'Coverage probability', '0.9545'),
    ],
    compute: (v) => {
      const components = v.rows('components').map(([name, halfWidth, distribution, sensitivity], index): BudgetComponent => {
        if (!(DISTRIBUTIONS as readonly unknown[]).includes(distribution))
          throw new RangeError(
            `components[${index}].distribution must be one of ${DISTRIBUTIONS.join(', ')}, got ${String(distribution)}`,
          );
        return {
          name: String(name),
          type: 'B',
          halfWidth: halfWidth as number,
          distribution: distribution as Distribution,
          sensitivity: sensitivity as number,
        };
      });
      const found = budget({ components, result: v.number('result'), coverage: v.number('coverage') });
      return [
        ...(found.statement ? [{ label: 'Result', value: found.statement }] : []),
        { label: 'Expanded uncertainty U', value: figure(found.expanded, 4), note: `k = ${figure(found.k, 4)}` },
        { label: 'Combined standard uncertainty', value: figure(found.standard, 4) },
        ...found.lines.map((line) => ({
          label: line.name,
          value: figure(line.contribution, 4),
          unit: `${places(line.sharePercent, 0)} % of the variance`,
        })),
      ];
    },
  },
  {
    id: 'decision',
    group: 'Uncertainty',
    title: 'Decision and its probability',
    words: 'pass fail guard band tolerance conformity',
    source: 'ILAC-G8:09/2019 (rules); JCGM 106:2012, 7.3 (probability). Limits count as inside.',
    fields: [
      number('error', 'Error found', '-1.8'),
      number('lower', 'Lower limit', '-2.5'),
      number('upper', 'Upper limit', '2.5'),
      number('expanded', 'Expanded uncertainty U (k = 2)', '0.9'),
      choice(
        'rule',
        'Rule',
        [
          ['simple', 'simple acceptance'],
          ['guarded', 'guard band'],
        ],
        'guarded',
      ),
      number('guardBand', 'Width of the guard band', '', undefined, { optional: true, help: 'empty: w = U' }),
    ],
    compute: (v) => {
      const guardBand = v.maybe('guardBand');
      const limits = { lower: v.number('lower'), upper: v.number('upper') };
      const [error, expanded] = [v.number('error'), v.number('expanded')];
      const decision = decide({
        error: v.text('error'),
        ...limits,
        expanded,
        rule: v.text('rule') as DecisionRule,
        ...(guardBand === null ? {} : { guardBand }),
      });
      return [
        { label: 'Verdict', value: DECISION[decision][0], state: DECISION[decision][1] },
        ...(expanded > 0
          ? [
              {
                label: 'Probability that it conforms',
                value: figure(conformityProbability({ value: error, standard: expanded / 2, ...limits }) * 100, 4),
                unit: '%',
              },
            ]
          : []),
      ];
    },
  },
  {
    id: 'line',
    group: 'Uncertainty',
    title: 'Straight line with its uncertainty',
    words: 'regression fit least squares prediction',
    source: 'JCGM 100:2008, H.3.',
    fields: [rows('x', 'Points', ['x', 'y'], '0 0.1\n10 10.2\n20 19.9\n30 30.1'), number('at', 'Value at x =', '40')],
    compute: (v) => {
      const points = v.rows('x');
      const fit = fitLine({ x: points.map(([x]) => x as number), y: points.map(([, y]) => y as number), at: v.number('at') });
      return [
        { label: 'Slope', value: figure(fit.slope), note: `u = ${figure(fit.sSlope, 2)}` },
        {
          label: 'Intercept',
          value: figure(fit.intercept),
          note: `u = ${figure(fit.sIntercept, 2)}, correlation with the slope ${places(fit.correlation, 3)}`,
        },
        { label: `Line at ${figure(v.number('at'))}`, value: figure(fit.predicted!), note: `u = ${figure(fit.sPredicted!, 2)}` },
      ];
    },
  },
  {
    id: 'coverage-factor',
    group: 'Uncertainty',
    title: 'Coverage factor',
    words: 'student t k degrees of freedom',
    source: 'JCGM 100:2008, G.3 and table G.2.',
    fields: [
      number('coverage', 'Coverage probability', '0.9545'),
      number('dof', 'Degrees of freedom', '10', undefined, { optional: true, help: 'empty: infinite' }),
    ],
    compute: (v) => [
      { label: 'k', value: figure(coverageFactor({ coverage: v.number('coverage'), dof: v.maybe('dof') ?? Infinity }), 4) },
    ],
  },
  {
    id: 'rounding',
    group: 'Uncertainty',
    title: 'Rounding a result to its uncertainty',
    words: 'two digits half to even',
    source: 'JCGM 100:2008, 7.2.6; half to even: ISO 80000-1:2009, annex B.',
    fields: [number('value', 'Result', '24.9765'), number('expanded', 'Expanded uncertainty', '0.0831')],
    compute: (v) => {
      const { text, places: count } = roundUncertainty({ expanded: v.number('expanded') });
      return [{ label: 'As stated', value: `${roundHalfEven({ value: v.text('value'), places: count })} ± ${text}` }];
    },
  },
];
