import { learnResponse, type Trace } from '@/core/stability/learn-response';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';

const INSTRUMENTS = 20;
const SECONDS_IN_GAS = 480;
const MIXTURE = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };

/** What a study of a simulated four-gas model teaches of its sensors: twenty instruments, eight minutes of gas each. Use: npx tsx src/processes/learn-card.ts OF-440 */
const [name = 'OF-440'] = process.argv.slice(2);
const model = INSTRUMENT_MODELS[name];
if (!model) throw new Error(`No simulated model ${name}.`);
const studied = Array.from({ length: INSTRUMENTS }, (_one, n) => {
  const instrument = new SimulatedInstrument(model, `L-${n}`, SCENARIOS.sound, 100 + n);
  for (let i = 0; i < 600; i += 1) instrument.tick(1);
  const { seconds: began, readings: before } = instrument.frame();
  instrument.bench({ mixture: MIXTURE });
  const frames = Array.from({ length: SECONDS_IN_GAS * 4 }, () => {
    instrument.tick(0.25);
    return instrument.frame();
  });
  return (slot: number): { before: number; trace: Trace } => ({
    before: Number(before.find((one) => one.slot === slot)!.text),
    trace: frames.map(({ seconds, readings }) => ({
      seconds: seconds - began,
      value: Number(readings.find((one) => one.slot === slot)!.text),
    })),
  });
});
const three = (_key: string, value: unknown) => (typeof value === 'number' ? Number(value.toPrecision(3)) : value);
for (const { slot, measurand, resolution } of new SimulatedInstrument(model, 'L', SCENARIOS.sound, 1).hello(new Date())
  .channels) {
  const own = studied.map((of) => of(slot));
  const card = learnResponse({ traces: own.map((one) => one.trace), before: own[0]!.before, resolution: Number(resolution) });
  console.log(measurand, JSON.stringify(card, three));
}
