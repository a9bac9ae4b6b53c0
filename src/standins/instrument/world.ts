import type { Scenario } from './scenario';

/** Clean air, as mixtures are given: oxygen, combustibles and breathing gases in %vol, toxic gases and carbon dioxide in ppm. */
export const CLEAN_AIR: Record<string, number> = { O2: 20.9, CO2: 430 };
const ORGANIC = ['C4H8', 'CH4', 'C5H12'];

/** What the bench does to an instrument, as against what is pressed on it. */
export interface World {
  /** What a tube brings; null when nothing is connected. */
  mixture: Record<string, number> | null;
  /** Somebody holds the inlet shut. */
  blocked: boolean;
  /** In front of the inlet. */
  filter: 'none' | 'co2' | 'charcoal';
  regulator: 'demand' | 'fixed';
  pressureHPa: number;
}

export const newWorld = (scenario: Scenario): World => ({
  mixture: null,
  blocked: false,
  filter: 'none',
  regulator: scenario.fixedRegulator ? 'fixed' : 'demand',
  pressureHPa: 1013.25,
});

/** What reaches the inlet: the bottle as it really is, or the air of the bench, through a filter. */
export function atInlet(world: World, scenario: Scenario): Record<string, number> {
  const air = { ...CLEAN_AIR, ...scenario.ambient };
  const given = world.mixture ?? air;
  const passes = scenario.filterPasses ?? 0;
  return Object.fromEntries(
    Object.entries(given).map(([gas, amount]) => {
      const left = world.mixture ? (scenario.faded?.[gas] ?? 1) : 1;
      const stopped =
        (world.filter === 'co2' && gas === 'CO2') || (world.filter === 'charcoal' && ORGANIC.includes(gas)) ? passes : 1;
      return [gas, amount * left * stopped];
    }),
  );
}

/** Share of the usual flow that reaches the sensors, and whether the pump is starved. A pump without its supply feels it as a block. */
export function flowOf(
  world: World,
  scenario: Scenario,
  { pumped, pumpOn }: { pumped: boolean; pumpOn: boolean },
): { share: number; starved: boolean } {
  if (world.blocked) return { share: 0, starved: true };
  const own = scenario.flow ?? 1;
  const tube = world.mixture ? (scenario.tube ?? 1) : 1;
  if (tube <= 0) return { share: 0, starved: true };
  if (!pumped) return { share: own * tube, starved: false };
  // Without its pump the gas comes in by itself, more slowly unless it is pushed by a fixed flow.
  if (!pumpOn) return { share: own * tube * (world.mixture && world.regulator === 'fixed' ? 0.9 : 0.5), starved: false };
  const starved = world.mixture !== null && world.regulator === 'fixed';
  return { share: own * tube * (starved ? 0.35 : 1), starved };
}
