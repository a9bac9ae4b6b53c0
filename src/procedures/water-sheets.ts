import type { Condition } from '@/core/procedure/condition';
import type { CheckItem, Point, Slot, Step } from '@/core/procedure/procedure';
import {
  buffer,
  calibrateIn,
  chooseLiquids,
  dip,
  inBuffer,
  lookAtCell,
  lookAt,
  lookAtMembrane,
  readBackSlope,
  school,
  soak,
  standard,
} from './water-parts';
import { calibrationRound, cleanCell, cleanGlass, freshLiquid, newMembrane, overnight } from './water-round';

interface Part {
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
  }: {
    readBack?: boolean;
    more?: CheckItem[];
    firstUse?: boolean;
    /** When a buffer is dipped into; always where left out. */
    dipped?: (name: BufferName) => Condition | undefined;
    /** What comes before anything is read. */
    first?: Step[];
  } = {},
): Part {
  const held = (name: BufferName) => {
    const when = dipped(name);
    return when ? { when } : {};
  };
  return {
    slots: order.map((name) => buffer(name, BUFFERS[name][0].toLowerCase(), BUFFERS[name][1])),
    points: order.map((name) => inBuffer(name, BUFFERS[name][0], name, BUFFERS[name][1])),
    steps: [
      lookAt({ firstUse }),
      ...soak('look'),
      ...first,
      ...order.map((name) => chooseLiquids(`${name}-bottle`, `Scan ${BUFFERS[name][0].toLowerCase()}`, [name], dipped(name))),
      ...order.flatMap((name) =>
        dip(`found-${name}`, 'asFound', { slot: name, title: BUFFERS[name][0], point: name, ...held(name) }),
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
            calibrateIn(`set-${name}`, { slot: name, title: BUFFERS[name][0], point: name, ...held(name) }),
          ),
          ...(readBack ? [readBackSlope('read-back', 2, more)] : []),
        ],
      ),
      ...order.flatMap((name) =>
        dip(`left-${name}`, 'asLeft', {
          slot: name,
          title: BUFFERS[name][0],
          point: name,
          ...held(name),
          reason: 'The same buffer again is repeatability: within ± 0.1 pH it was taken.',
        }),
      ),
    ],
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
  }: {
    verify?: string;
    solids?: boolean;
    cell?: boolean;
    /** Only one of the standards, by the school “ec-standard”: the one that is used where the run follows none. */
    oneOf?: string;
    /** How the cell goes into the liquid. */
    swing?: string;
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
        : high(id);
  const held = (id: string) => (when(id) ? { when: when(id)! } : {});
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
        ? [
            {
              id: 'solids',
              label: `Dissolved solids of ${title(oneOf ?? order[0]!)}`,
              channels: ['tds'],
              target: {
                kind: 'material',
                slot: oneOf ?? order[0]!,
                component: STANDARDS[oneOf ?? order[0]!]![1],
                via: 'dissolvedSolids',
              },
            } satisfies Point,
          ]
        : []),
    ],
    steps: [
      lookAtCell,
      ...all.map((id) => chooseLiquids(`${id}-bottle`, `Scan ${title(id)}`, [id], when(id))),
      ...all.flatMap((id) =>
        dip(`found-${id}`, 'asFound', { slot: id, title: title(id), point: id, reason: swing, ...held(id) }),
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
        withSolids(
          dip(`left-${id}`, 'asLeft', {
            slot: id,
            title: title(id),
            point: id,
            reason:
              id === verify
                ? 'A second standard from another bottle is verification; the first one again is only repeatability.'
                : 'The same standard again: repeatability.',
            ...held(id),
          }),
          solids && id === (oneOf ?? order[0]),
        ),
      ),
    ],
  };
}

/** Dissolved solids are read in the same beaker. */
const withSolids = (steps: Step[], wanted: boolean): Step[] =>
  wanted ? steps.map((step) => (step.kind === 'read' ? { ...step, points: [...step.points, 'solids'] } : step)) : steps;

const OPEN_AIR: Condition = school('oxygen-air', 'open');
const IN_AIR = 'probe in the moist, vented sleeve';

/** Oxygen in water-saturated air at the pressure of the place; what can't be true is not accepted. */
export function oxygenPart(waitSeconds: number): Part {
  const channels = ['do', 'sat'];
  const air: Point = {
    id: 'air',
    label: 'Water-saturated air',
    channels,
    target: { kind: 'computed', function: 'airSaturatedOxygen' },
  };
  const notNow: Condition = { not: { is: 'property', property: 'as-found-only' } };
  return {
    slots: [{ id: 'sleeve', label: 'moist, vented sleeve', kind: 'cleanAir' }],
    points: [
      air,
      {
        ...air,
        id: 'plausible',
        label: 'Plausible before it is accepted',
        gate: {
          lowest: '0.88',
          highest: '1.10',
          ofTarget: true,
          reason:
            'outside 88 to 110 % of what the local pressure allows: membrane, electrolyte, polarisation or the pressure set',
        },
      },
    ],
    steps: [
      lookAtMembrane,
      {
        id: 'open-in',
        kind: 'stimulus',
        title: 'Hold it in the open air',
        slot: 'sleeve',
        means: IN_AIR,
        on: true,
        reason: 'At the place of use: out of the wind and the sun, dry membrane, within 10 °C of the water.',
        when: OPEN_AIR,
      },
      {
        id: 'sleeve-in',
        kind: 'stimulus',
        title: 'Into the moist sleeve',
        slot: 'sleeve',
        means: IN_AIR,
        on: true,
        reason:
          'A wet sponge under it, not touching; the sleeve vented (opened by a few threads), so that it has the pressure of the room.',
        when: { not: OPEN_AIR },
      },
      {
        id: 'settle',
        kind: 'wait',
        title: 'Polarise and settle',
        minSeconds: waitSeconds,
        from: 'entered',
        reason: 'A polarographic probe takes 10 minutes; temperature has to stand still.',
      },
      {
        id: 'found-air',
        kind: 'read',
        title: 'As found: air',
        points: ['air'],
        phase: 'asFound',
        stability: { windowSeconds: 15, maxSpread: '0.05' },
        reason: 'Per cent of local saturation is 100 anywhere; per cent at 1 atm is less the higher the place.',
      },
      calibrationRound({ id: 'oxygen', roles: channels, remedies: [newMembrane(channels)], also: { is: 'implausible' } }, [
        {
          id: 'plausible',
          kind: 'read',
          title: 'Is it plausible?',
          points: ['plausible'],
          phase: 'adjustment',
          reason: 'Before it is accepted: a probe far off what the pressure allows is ill, not out of adjustment.',
        },
        {
          id: 'set-air',
          kind: 'adjust',
          title: 'Accept 100 % in air',
          points: ['air'],
          action: 'calibrate',
          together: true,
          when: { not: { is: 'implausible' } },
        },
      ]),
      {
        id: 'left-air',
        kind: 'read',
        title: 'As left: air',
        points: ['air'],
        phase: 'asLeft',
        when: notNow,
        stability: { windowSeconds: 15, maxSpread: '0.05' },
      },
      { id: 'sleeve-out', kind: 'stimulus', title: 'Out of the sleeve', slot: 'sleeve', means: IN_AIR, on: false },
    ],
  };
}

/** Steps of a part as a sheet of its own, with ids of their own. */
export function sheet(id: string, name: string, part: Part, when: Condition): Step {
  return { id, kind: 'group', title: name, sheet: name, order: 'fixed', steps: part.steps, when };
}
