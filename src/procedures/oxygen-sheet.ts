import type { Condition } from '@/core/procedure/condition';
import type { Point } from '@/core/procedure/procedure';
import { calibrationRound, newMembrane } from './water-round';
import { lookAtMembrane, school } from './water-parts';
import type { Part } from './water-sheets';

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
