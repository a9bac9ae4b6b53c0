import type { WaterCause } from './causes/probe-facts';

interface Test {
  test: string;
  tells: WaterCause[];
}

/** The test that tells a cause from its look-alikes (common practice). */
const TESTS: Record<WaterCause, Test[]> = {
  crackedGlass: [
    {
      test: 'Rinse, then the other buffer fresh from its bottle: a cracked glass shows the same millivolts in both; a wrong beaker does not.',
      tells: ['wrongBuffer', 'agedElectrode', 'spentReference', 'contaminatedBuffer'],
    },
  ],
  agedElectrode: [
    {
      test: 'Clean, soak 1 to 2 h in storage solution and repeat in fresh buffer: a coated or dry glass comes back, an aged one does not.',
      tells: ['coatedElectrode', 'driedOut'],
    },
    {
      test: 'Repeat in buffer from a freshly opened bottle: the slope rises if the buffer was at fault.',
      tells: ['contaminatedBuffer', 'wrongBuffer', 'warmBuffer'],
    },
  ],
  coatedElectrode: [
    {
      test: 'Neutral detergent 30 min, soft brush, rinse, then time it again: a coating gone answers quickly, an old glass stays slow.',
      tells: ['agedElectrode', 'driedOut', 'spentReference'],
    },
  ],
  driedOut: [
    {
      test: 'Soak 1 to 2 h in storage solution or 3 M KCl (never pure water) and read the same buffer again: a dried glass stops drifting.',
      tells: ['coatedElectrode', 'agedElectrode', 'spentReference', 'warmBuffer'],
    },
  ],
  spentReference: [
    {
      test: 'Read fresh pH 7 again after rinsing: the same offset in two lots means the reference (refill or replace), another offset means the buffer.',
      tells: ['contaminatedBuffer', 'wrongBuffer', 'driedOut', 'agedElectrode', 'temperatureSensor'],
    },
  ],
  wrongBuffer: [
    {
      test: 'Read the label of the bottle that was poured, rinse and dip into it anew: the right buffer reads right at once.',
      tells: ['contaminatedBuffer', 'crackedGlass', 'spentReference', 'agedElectrode'],
    },
  ],
  contaminatedBuffer: [
    {
      test: 'Open a fresh bottle or sachet of this buffer and read again: right now means that the old one was contaminated.',
      tells: ['wrongBuffer', 'agedElectrode', 'spentReference', 'warmBuffer'],
    },
  ],
  warmBuffer: [
    {
      test: 'Thermometer into the beaker, wait until it is within 1 °C of the room, read again: a reading that comes right was temperature.',
      tells: ['temperatureSensor', 'driedOut', 'contaminatedBuffer'],
    },
  ],
  temperatureSensor: [
    {
      test: 'Probe and a checked thermometer together in one stirred beaker for 3 min: beyond 2 °C the sensor is recalibrated, whatever the liquid.',
      tells: ['warmBuffer', 'wrongStandard', 'bubbles', 'wetMembrane', 'dirtyCell'],
    },
  ],
  bubbles: [
    {
      test: 'Swing the cell in the standard four or five times and tap it: a jump up means bubbles, no change means dirt or the standard.',
      tells: ['dirtyCell', 'wrongStandard', 'polarisedCell'],
    },
  ],
  dirtyCell: [
    {
      test: 'Clean the electrodes, rinse with the standard, read again: a film gone reads higher; then a second standard as check.',
      tells: ['bubbles', 'wrongStandard', 'polarisedCell'],
    },
  ],
  polarisedCell: [
    {
      test: 'Read a standard ten times weaker: right there and low in the strong one means polarisation (range or cell), low in both means dirt.',
      tells: ['dirtyCell', 'bubbles', 'wrongStandard'],
    },
  ],
  wrongStandard: [
    {
      test: 'Second standard from another bottle: off in one only means that bottle, off in both by the same share means the cell.',
      tells: ['dirtyCell', 'bubbles', 'temperatureSensor'],
    },
  ],
  wrinkledMembrane: [
    {
      test: 'Look at the membrane against the light and tap the probe: a jump or a crease means a new membrane; then fill, screw tight, polarise 10 min.',
      tells: ['lowElectrolyte', 'notPolarised', 'wetMembrane'],
    },
  ],
  lowElectrolyte: [
    {
      test: 'Open the cap and look: under half full means refill with a new membrane; full and still low means cathode or membrane.',
      tells: ['wrinkledMembrane', 'wetMembrane', 'notPolarised'],
    },
  ],
  notPolarised: [
    {
      test: 'Leave it switched on for 10 min and read again: a reading that sinks to its value and stays was polarisation.',
      tells: ['wrinkledMembrane', 'temperatureSensor', 'lowElectrolyte'],
    },
  ],
  wetMembrane: [
    {
      test: 'Blot the drop off (dab, never rub), back into the moist sleeve, 5 min: right now means that it was the drop.',
      tells: ['lowElectrolyte', 'wrinkledMembrane', 'temperatureSensor'],
    },
  ],
};

/**
 * The test to do next for a cause, chosen so that it tells it from the likeliest other one.
 *
 * @example
 * waterTest('bubbles', 'dirtyCell') // 'Swing the cell in the standard …'
 */
export function waterTest(cause: WaterCause, other: WaterCause | null): { test: string; tells: WaterCause[] } {
  const tests = TESTS[cause];
  return tests.find((one) => other !== null && one.tells.includes(other)) ?? tests[0]!;
}
