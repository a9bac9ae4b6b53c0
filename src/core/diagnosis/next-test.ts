import type { CauseCode } from './facts';

interface Test {
  test: string;
  /** What this test tells the cause from. */
  tells: CauseCode[];
}

/** The test that tells a cause from its look-alikes (common practice). */
const TESTS: Record<CauseCode, Test[]> = {
  poisonedSensor: [
    {
      test: 'Bump with a methane bottle that just served another instrument: a poisoned pellistor stays low while the other reads full.',
      tells: ['fadedGas', 'wrongBottle', 'closedValve'],
    },
    {
      test: 'Look at the other channels in the same gas: if they respond, tube and flow are sound.',
      tells: ['kinkedTube', 'weakPump'],
    },
  ],
  stuckSensor: [
    {
      test: 'Breathe gently on the oxygen inlet or apply nitrogen: a live sensor falls within seconds, a stuck one does not move.',
      tells: ['kinkedTube', 'closedValve', 'dyingSensor', 'fadedGas'],
    },
  ],
  slowSensor: [
    {
      test: 'Leave the gas on for three more minutes: a slow sensor reaches the value, a dying one stays low. Then clean or change its filter.',
      tells: ['dyingSensor', 'fadedGas', 'poisonedSensor'],
    },
    {
      test: 'Compare with the other channels: slow together means flow, alone means sensor or its filter.',
      tells: ['weakPump', 'wrongRegulator', 'kinkedTube'],
    },
  ],
  dyingSensor: [
    {
      test: 'Apply a fresh bottle of the same gas: a dying sensor stays low with raw output low, faded gas reads full.',
      tells: ['fadedGas', 'wrongBottle'],
    },
    { test: 'Leave the gas on longer: a slow sensor still climbs, a dying one does not.', tells: ['slowSensor'] },
  ],
  fadedGas: [
    {
      test: 'Apply a fresh bottle of the same gas: faded gas reads full with it, a dying sensor stays low.',
      tells: ['dyingSensor', 'poisonedSensor', 'slowSensor', 'wrongBottle'],
    },
  ],
  dirtyBackground: [
    {
      test: 'Put on the zero tube and wait a minute: a real background goes to zero through it, a drifted zero or a spent scrubber does not.',
      tells: ['spentScrubber', 'dyingSensor'],
    },
  ],
  spentScrubber: [
    {
      test: 'Fit a fresh scrubber (white, not violet) or use zero gas: with it the reading falls to zero, a background or drift stays.',
      tells: ['dirtyBackground', 'dyingSensor'],
    },
  ],
  kinkedTube: [
    {
      test: 'Take the tube off and feel the gas at its end, then look for the kink: gas at the end means the trouble is inside, none means tube or valve.',
      tells: ['closedValve', 'weakPump', 'wrongRegulator', 'stuckSensor'],
    },
  ],
  closedValve: [
    {
      test: 'Read the bottle’s gauge and feel the gas at the end of the tube: pressure but no gas means valve or regulator, gas at the end means a kink behind it.',
      tells: ['kinkedTube', 'wrongBottle'],
    },
  ],
  weakPump: [
    {
      test: 'Flow meter at the inlet, nothing connected: under its rated draw the pump is weak; full draw means tube or regulator.',
      tells: ['wrongRegulator', 'kinkedTube', 'slowSensor'],
    },
  ],
  wrongRegulator: [
    {
      test: 'Change to a demand regulator (or switch the pump off for a fixed flow) and repeat: cured means regulator, not cured means pump or tube.',
      tells: ['weakPump', 'kinkedTube', 'slowSensor'],
    },
  ],
  missedSave: [
    {
      test: 'Leave calibration mode, read the last-calibration date and one reading in gas: the old date or reading means that nothing was saved.',
      tells: ['dyingSensor', 'fadedGas', 'wrongClock'],
    },
  ],
  deadOutput: [
    {
      test: 'Start the instrument’s own self-test without gas: an output silent there as well is dead; one that works was only muted during the timed bump.',
      tells: ['closedValve', 'stuckSensor'],
    },
  ],
  wrongClock: [
    {
      test: 'Set the clock and read it again after switching off and on: lost again means the back-up cell.',
      tells: ['missedSave'],
    },
  ],
  absentSensor: [
    {
      test: 'Open the sensor list of the instrument: a place that is empty or switched off there is absent, one that is listed has lost contact.',
      tells: ['stuckSensor', 'dyingSensor'],
    },
  ],
  wrongBottle: [
    {
      test: 'Read lot and values off the bottle’s label and scan its tag: they have to be those on the sheet.',
      tells: ['fadedGas', 'dyingSensor', 'closedValve'],
    },
  ],
};

/**
 * The test to do next for a cause, chosen so that it tells it from the likeliest other one.
 *
 * @example
 * nextTest('fadedGas', 'dyingSensor') // { test: 'Apply a fresh bottle …', tells: ['dyingSensor', …] }
 */
export function nextTest(cause: CauseCode, other: CauseCode | null): Test {
  const tests = TESTS[cause];
  return tests.find((one) => other !== null && one.tells.includes(other)) ?? tests[0]!;
}
