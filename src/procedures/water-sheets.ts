import type { Condition } from '@/core/procedure/condition';
import type { CheckItem, Point, Slot, Step } from '@/core/procedure/procedure';
import {
  buffer,
  BUFFER_ORDER,
  calibrateIn,
  chooseLiquids,
  dip,
  DIPS_TOGETHER,
  FIRST_ROUND,
  GONE_ON,
  inBuffer,
  lookAtCell,
  keptBefore,
  lookAt,
  readBackSlope,
  school,
  soak,
  standard,
  WEAK_STANDARD,
  type SharedRead,
} from './water-parts';
import { calibrationRound, cleanCell, cleanGlass, freshLiquid, overnight } from './water-round';

/** True of every run. */
const ALWAYS: Condition = { not: { any: [] } };
/** All of what is given; undefined where nothing is. */
function allOf(...conditions: (Condition | undefined)[]): Condition | undefined {
  const given = conditions.filter((one) => one !== undefined);
  return given.length > 1 ? { all: given } : given[0];
}

export interface Part {
  slots: Slot[];
  points: Point[];
  steps: Step[];
}

const BUFFERS = {
  seven: ['Buffer 7.00', 'technical-7.00'],
  four: ['Buffer 4.01', 'technical-4.01'],
  ten: ['Buffer 10.01', 'technical-10.01'],
} as const;
export type BufferName = keyof typeof BUFFERS;

/** How many buffers are dipped into is a school of the procedure where it offers one: the second leaves out “one”, the third asks for “three”. */
const DIPPED: (Condition | undefined)[] = [undefined, { not: school('points', 'one') }, school('points', 'three')];

/** A sheet of pH: as found in all buffers, the calibration in the procedure's order, as left in all of them. */
export function phPart(
  order: BufferName[],
  {
    readBack = true,
    more = [],
    firstUse = false,
    dipped = (name: BufferName) => DIPPED[order.indexOf(name)],
    first = [],
    anyOrder = false,
  }: {
    readBack?: boolean;
    more?: CheckItem[];
    firstUse?: boolean;
    /** When a buffer is dipped into; always where left out. */
    dipped?: (name: BufferName) => Condition | undefined;
    /** What comes before anything is read. */
    first?: Step[];
    /** The meter names its buffers itself: their order is a school. */
    anyOrder?: boolean;
  } = {},
): Part {
  const held = (name: BufferName) => {
    const when = dipped(name);
    return when ? { when } : {};
  };
  // Nothing was set before the first; the others are worked out where the meter said what it kept.
  // Dips are shared only where it is known which buffer comes first and which last.
  const fixed: Condition | undefined = anyOrder ? { not: ANY_ORDER } : undefined;
  const foundInDip = (name: BufferName) => allOf(DIPS_TOGETHER, fixed, name === order[0] ? undefined : { is: 'electrodeKnown' })!;
  const isLast = (name: BufferName): Condition | undefined => {
    const later = order.slice(order.indexOf(name) + 1).map(dipped);
    return later.length ? { not: { any: later.map((one) => one ?? ALWAYS) } } : undefined;
  };
  return {
    slots: order.map((name) => buffer(name, BUFFERS[name][0].toLowerCase(), BUFFERS[name][1])),
    points: order.map((name) => inBuffer(name, BUFFERS[name][0], name, BUFFERS[name][1])),
    steps: [
      lookAt({ firstUse }),
      ...soak('look'),
      ...first,
      ...order.map((name) => chooseLiquids(`${name}-bottle`, `Scan ${BUFFERS[name][0].toLowerCase()}`, [name], dipped(name))),
      keptBefore,
      ...order.flatMap((name) =>
        dip(`found-${name}`, 'asFound', {
          slot: name,
          title: BUFFERS[name][0],
          point: name,
          when: allOf(dipped(name), { not: allOf(GONE_ON, foundInDip(name))! })!,
        }),
      ),
      calibrationRound(
        {
          id: 'ph',
          roles: ['ph'],
          remedies: [
            freshLiquid(
              'buffer',
              order.map((name) => ({ slot: name, title: BUFFERS[name][0].toLowerCase(), ...held(name) })),
            ),
            cleanGlass,
            overnight,
          ],
          also: { is: 'electrodePoor', role: 'ph' },
        },
        [
          ...order.flatMap((name) =>
            calibrateIn(`set-${name}`, {
              slot: name,
              title: BUFFERS[name][0],
              point: name,
              ...(allOf(dipped(name), fixed) ? { when: allOf(dipped(name), fixed)! } : {}),
              found: {
                when: allOf(dipped(name), foundInDip(name), FIRST_ROUND)!,
                ...(name === order[0] ? {} : { computed: 'electrode' as const }),
              },
              left: { when: allOf(dipped(name), DIPS_TOGETHER, fixed, isLast(name))! },
            }),
          ),
          ...(anyOrder ? [inAnyOrder(order, dipped)] : []),
          ...(readBack ? [readBackSlope('read-back', 2, more)] : []),
        ],
      ),
      ...order.flatMap((name) =>
        dip(`left-${name}`, 'asLeft', {
          slot: name,
          title: BUFFERS[name][0],
          point: name,
          when: allOf(dipped(name), { is: 'leftMissing', points: [name], role: 'ph' })!,
          reason: 'The same buffer again is repeatability: within ± 0.1 pH it was taken.',
        }),
      ),
    ],
  };
}

const ANY_ORDER = school(BUFFER_ORDER.id, 'any');
/** The buffers of a calibration as they come to hand, each to its end before the next. */
function inAnyOrder(order: BufferName[], dipped: (name: BufferName) => Condition | undefined): Step {
  return {
    id: 'any',
    kind: 'group',
    title: 'Buffers, in any order',
    order: 'any',
    when: ANY_ORDER,
    steps: order.map((name): Step => {
      const when = dipped(name);
      return {
        id: name,
        kind: 'group',
        title: BUFFERS[name][0],
        order: 'fixed',
        steps: calibrateIn(`set-${name}`, { slot: name, title: BUFFERS[name][0], point: name, ...(when ? { when } : {}) }),
        ...(when ? { when } : {}),
      };
    }),
  };
}

const STANDARDS: Record<string, [label: string, substance: string, channels: string[]]> = {
  ec84: ['84 µS/cm', 'kcl-84', ['ec']],
  ec1413: ['1413 µS/cm', 'kcl-1413', ['ec']],
  ec12880: ['12.88 mS/cm', 'kcl-12880', ['ec-high']],
  ec731: ['731 µS/cm, mixed salt', 'salt-731', ['ec']],
  ec1417: ['1417 µS/cm, mixed salt', 'salt-1417', ['ec']],
  ec5000: ['5.00 mS/cm', 'ec-5000', ['ec']],
};
const LEFT_OUT = school(WEAK_STANDARD.id, 'no');
const SWING = 'Dip and swing out bubbles four or five times; rinse the cell with the standard first.';

/** Conductivity: as found in the standards, the cell constant set in each, then as left; a second standard as verification where given. */
export function ecPart(
  order: string[],
  {
    verify,
    solids = false,
    cell = true,
    oneOf,
    swing = SWING,
    weak = false,
  }: {
    verify?: string;
    solids?: boolean;
    cell?: boolean;
    /** Only one of the standards, by the school “ec-standard”: the one that is used where the run follows none. */
    oneOf?: string;
    /** How the cell goes into the liquid. */
    swing?: string;
    /** Whether the first and weakest standard is dipped into is a school. */
    weak?: boolean;
  } = {},
): Part {
  const all = [...order, ...(verify ? [verify] : [])];
  const title = (id: string) => STANDARDS[id]![0];
  const channelsOf = (id: string) => (oneOf ? ['ec'] : STANDARDS[id]![2]);
  const chosen = (id: string): Condition =>
    id === oneOf
      ? { not: { any: order.filter((other) => other !== id).map((other) => school('ec-standard', other)) } }
      : school('ec-standard', id);
  const high = (id: string): Condition | undefined =>
    channelsOf(id)[0] === 'ec-high'
      ? { all: [{ is: 'channel', role: 'ec-high' }, { not: school('high-standard', 'no') }] }
      : undefined;
  const when = (id: string): Condition | undefined =>
    id === verify
      ? oneOf
        ? { all: [school('verifying', 'second'), chosen(oneOf)] }
        : school('verifying', 'second')
      : oneOf
        ? chosen(id)
        : weak && id === order[0]
          ? { not: LEFT_OUT }
          : high(id);
  const held = (id: string) => (when(id) ? { when: when(id)! } : {});
  const solidsOf = (id: string) => (id === (oneOf ?? order[0]) ? 'solids' : `solids-${id}`);
  const withSolids = (id: string) => solids && id !== verify && (oneOf !== undefined || id === order[0]);
  const isLast = (id: string): Condition | undefined => {
    const later = oneOf ? [] : order.slice(order.indexOf(id) + 1).map(when);
    return later.length ? { not: { any: later.map((one) => one ?? ALWAYS) } } : undefined;
  };
  /** Nothing was set before the first that is dipped into. */
  const foundOf = (id: string): SharedRead[] => {
    const held: SharedRead = {
      when: allOf(when(id), DIPS_TOGETHER, FIRST_ROUND)!,
      points: withSolids(id) ? [id, solidsOf(id)] : [id],
    };
    if (oneOf || id === order[0]) return [held];
    if (!weak || id !== order[1]) return [{ ...held, computed: 'cell' }];
    return [
      { ...held, when: allOf(held.when, { not: LEFT_OUT })!, computed: 'cell' },
      { ...held, when: allOf(held.when, LEFT_OUT)! },
    ];
  };
  return {
    slots: all.map((id) => standard(id, title(id), STANDARDS[id]![1])),
    points: [
      ...all.map((id): Point => ({
        id,
        label: title(id),
        channels: channelsOf(id),
        target: { kind: 'material', slot: id, component: STANDARDS[id]![1], via: 'compensated' },
      })),
      ...(solids
        ? (oneOf ? order : order.slice(0, 1)).map((id): Point => ({
            id: solidsOf(id),
            label: `Dissolved solids of ${title(id)}`,
            channels: ['tds'],
            target: { kind: 'material', slot: id, component: STANDARDS[id]![1], via: 'dissolvedSolids' },
          }))
        : []),
    ],
    steps: [
      lookAtCell,
      ...all.map((id) => chooseLiquids(`${id}-bottle`, `Scan ${title(id)}`, [id], when(id))),
      ...all.flatMap((id) =>
        solidsRead(
          dip(`found-${id}`, 'asFound', {
            slot: id,
            title: title(id),
            point: id,
            reason: swing,
            when: allOf(when(id), id === verify ? undefined : { not: allOf(GONE_ON, DIPS_TOGETHER)! })!,
          }),
          withSolids(id) ? solidsOf(id) : null,
        ),
      ),
      calibrationRound(
        {
          id: 'ec',
          roles: ['ec', 'ec-high'],
          remedies: [
            freshLiquid(
              'standard',
              order.map((id) => ({ slot: id, title: title(id), ...held(id) })),
            ),
            cleanCell(['ec', 'ec-high']),
          ],
        },
        [
          ...order.flatMap((id) =>
            calibrateIn(`set-${id}`, {
              slot: id,
              title: title(id),
              point: id,
              reason: swing,
              key: 'Press the calibration key: the cell constant is set so that the standard reads its value.',
              ...held(id),
              found: foundOf(id),
              left: {
                when: allOf(when(id), DIPS_TOGETHER, isLast(id))!,
                points: withSolids(id) ? [id, solidsOf(id)] : [id],
              },
            }),
          ),
          ...(cell
            ? [
                {
                  id: 'cell',
                  kind: 'check',
                  title: 'Read back from the meter',
                  items: [
                    {
                      id: 'cell-constant',
                      label: 'Cell constant, 1/cm',
                      answer: 'number',
                      unit: '1/cm',
                      reads: { figure: 'cellConstant', role: 'ec' },
                    },
                  ],
                } satisfies Step,
              ]
            : []),
        ],
      ),
      ...all.flatMap((id) =>
        solidsRead(
          dip(`left-${id}`, 'asLeft', {
            slot: id,
            title: title(id),
            point: id,
            reason:
              id === verify
                ? 'A second standard from another bottle is verification; the first one again is only repeatability.'
                : 'The same standard again: repeatability.',
            when: allOf(when(id), id === verify ? undefined : { is: 'leftMissing', points: [id], role: channelsOf(id)[0]! })!,
          }),
          withSolids(id) ? solidsOf(id) : null,
        ),
      ),
    ],
  };
}

/** Dissolved solids are read in the same beaker. */
const solidsRead = (steps: Step[], point: string | null): Step[] =>
  point ? steps.map((step) => (step.kind === 'read' ? { ...step, points: [...step.points, point] } : step)) : steps;

/** Steps of a part as a sheet of its own, with ids of their own. */
export function sheet(id: string, name: string, part: Part, when: Condition): Step {
  return { id, kind: 'group', title: name, sheet: name, order: 'fixed', steps: part.steps, when };
}
