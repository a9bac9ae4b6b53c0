/** What may be wrong with a meter's probes, with what stands in the beakers, or with how it was handled. */
export interface ProbeFault {
  /** pH glass: slope as a share of Nernst, offset in mV, seconds of its time constant, drift in mV a minute while it stands. */
  slope?: number;
  offsetMv?: number;
  tauSeconds?: number;
  driftMvPerMinute?: number;
  /** Conductivity: share of the conductance that is seen, how much it jumps, and at which conductivity (µS/cm) half is lost to polarisation. */
  cell?: number;
  cellJumps?: number;
  halfLostAt?: number;
  /** Swinging it in the liquid cures it (bubbles), cleaning does (dirt). */
  curedBy?: 'stir' | 'clean' | 'soak' | 'membrane' | 'time' | 'blot';
  /** Oxygen: share of the sensitivity, how much it jumps, what is still added since it was switched on. */
  oxygen?: number;
  oxygenJumps?: number;
  unpolarised?: number;
  oxygenTauSeconds?: number;
  /** °C that the temperature sensor is off. */
  temperatureC?: number;
  /** Shift of a liquid by substance: contaminated, diluted. pH is added to, conductivity multiplied. */
  shifted?: Record<string, number>;
  /** Another liquid stands in the beaker than the label says. */
  swapped?: Record<string, string>;
  /** °C that liquids have more than the room. */
  warmer?: number;
}

/** Faults that a technician meets (common practice), by name. */
export const PROBE_FAULTS: Record<string, ProbeFault> = {
  sound: {},
  agedElectrode: { slope: 0.87 },
  /** Not what it was, and not yet past its limits. */
  tiredElectrode: { slope: 0.93 },
  greasyElectrode: { slope: 0.91, tauSeconds: 25, curedBy: 'clean' },
  coatedElectrode: { tauSeconds: 42, curedBy: 'clean' },
  driedOut: { tauSeconds: 34, driftMvPerMinute: 9, curedBy: 'soak' },
  crackedGlass: { slope: 0.015, offsetMv: 3 },
  spentReference: { offsetMv: 46 },
  wrongBuffer: { swapped: { 'technical-4.01': 'technical-7.00' } },
  contaminatedBuffer: { shifted: { 'technical-10.01': -0.55 } },
  warmBuffer: { warmer: 9 },
  temperatureSensor: { temperatureC: 3.6 },
  bubbles: { cell: 0.86, cellJumps: 0.035, curedBy: 'stir' },
  dirtyCell: { cell: 0.88, curedBy: 'clean' },
  polarisedCell: { halfLostAt: 70_000 },
  wrongStandard: { shifted: { 'kcl-1413': 1.12, 'salt-731': 1.12 } },
  wrinkledMembrane: { oxygenJumps: 0.05, oxygen: 0.97, curedBy: 'membrane' },
  lowElectrolyte: { oxygen: 0.68, curedBy: 'membrane' },
  notPolarised: { unpolarised: 0.4 },
  wetMembrane: { oxygen: 0.86, curedBy: 'blot' },
};
