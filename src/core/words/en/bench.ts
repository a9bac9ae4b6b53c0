/** What is said on the run sheet of the judgement calls of the trade. */
export const BENCH = {
  'follow.title': 'Decide: {what}',
  'follow.reason': 'A bad answer leads somewhere: nothing goes on over one that is open.',
  'follow.mend': 'Put right, and look again',
  'follow.remark': 'Goes on with a remark on the document',
  'follow.service': 'To service',
  'follow.outOfService': 'Out of service, with a tag',
  'follow.return': 'Returned uncalibrated',
  'follow.calibrate': 'Calibrate it now',
  'follow.close': 'Gas off',
  'follow.closeReason': 'Nothing more is asked of this instrument; the gas is still open.',
} as const;
