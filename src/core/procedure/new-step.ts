import type { Procedure, Step } from './procedure';

export const STEP_KINDS = [
  'check',
  'condition',
  'reference',
  'wait',
  'stimulus',
  'read',
  'adjust',
  'save',
  'bump',
  'care',
  'decide',
  'group',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** A step of a kind as it is before anybody said more, with the first places and points of its procedure. */
export function newStep(
  kind: StepKind,
  { points, slots, channels }: Pick<Procedure, 'points' | 'slots' | 'channels'>,
  title: string,
): Step {
  const base = { id: kind, title };
  const point = points[0] ? [points[0].id] : [];
  const slot = slots[0]?.id ?? '';
  switch (kind) {
    case 'check':
      return {
        ...base,
        kind,
        items: [{ id: 'item', label: title, answer: 'passFault', bad: { when: 'negative', follows: ['mend', 'service'] } }],
      };
    case 'condition':
      return { ...base, kind, quantities: ['temperatureC', 'pressureHPa', 'humidityPercent'] };
    case 'reference':
      return { ...base, kind, slots: slot ? [slot] : [] };
    case 'wait':
      return { ...base, kind, minSeconds: 60 };
    case 'stimulus':
      return { ...base, kind, slot, means: title, on: true };
    case 'read':
      return { ...base, kind, points: point, phase: 'asFound' };
    case 'adjust':
      return { ...base, kind, points: point, action: 'calibrate', together: true };
    case 'save':
      return { ...base, kind, evidence: 'confirm' };
    case 'bump':
      return {
        ...base,
        kind,
        channels: channels.map((one) => one.role),
        method: 'watched',
        outputs: ['sound', 'light', 'vibration'],
        follows: ['mend', 'calibrate', 'service'],
      };
    case 'care':
      return { ...base, kind, action: title, resets: [] };
    case 'decide':
      return {
        ...base,
        kind,
        question: 'outside',
        options: [
          { id: 'go-on', label: title },
          { id: 'service', label: title, consequence: 'service' },
        ],
      };
    case 'group':
      return { ...base, kind, order: 'fixed', steps: [] };
  }
}
