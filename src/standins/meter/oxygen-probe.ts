/** Saturation vapour pressure of water, hPa (Magnus formula, as in WMO-No. 8; from memory): the stand-in has its own. */
export const vapour = (temperatureC: number) => 6.112 * Math.exp((17.62 * temperatureC) / (243.12 + temperatureC));
const ATM = 1013.25;

/** mg/L of air-saturated fresh water at 1 atm: Benson and Krause 1984 (APHA 4500-O), for a meter's own display. */
function solubilityAtOneAtm(temperatureC: number): number {
  const k = temperatureC + 273.15;
  return Math.exp(-139.34411 + 1.575701e5 / k - 6.642308e7 / k ** 2 + 1.2438e10 / k ** 3 - 8.621949e11 / k ** 4);
}

export interface OxygenState {
  share: number;
  tauSeconds: number;
}

/** A polarographic probe: a current that follows the partial pressure of oxygen. 1 is air-saturated at 1 atm and no vapour. */
export class OxygenProbe {
  signal = 0.95;
  step(seconds: number, pressureHPa: number, temperatureC: number, state: OxygenState): void {
    const target = (state.share * (pressureHPa - vapour(temperatureC))) / ATM;
    this.signal += (target - this.signal) * (1 - Math.exp(-seconds / state.tauSeconds));
  }
}

/** What the meter makes of a signal: per cent of local saturation, at 1 atm, and mg/L. */
export function showOxygen(signal: number, factor: number, temperatureC: number, pressureHPa: number) {
  const local = (signal * factor * ATM) / (pressureHPa - vapour(temperatureC));
  const oneAtm = (signal * factor * ATM) / (ATM - vapour(temperatureC));
  return { local: local * 100, oneAtm: oneAtm * 100, mgPerL: oneAtm * solubilityAtOneAtm(temperatureC) };
}
