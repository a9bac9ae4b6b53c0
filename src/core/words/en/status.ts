import { addWords } from '../registry';

/** Words of an instrument’s state. */
export const STATUS = {
  'status.inUse': 'in use',
  'status.atService': 'at service',
  'status.outOfService': 'out of service',
  'status.outside': 'outside its limits',
  'status.retired': 'retired',
  'status.head.atService': 'TO SERVICE',
  'status.head.outOfService': 'OUT OF SERVICE',
  'status.head.outside': 'OUTSIDE ITS LIMITS',
  'status.head.retired': 'RETIRED',
  'status.since': 'since {at}, {by}',
  'status.notFit': 'Not fit for use: {reason}.',
} as const;
addWords(STATUS);
