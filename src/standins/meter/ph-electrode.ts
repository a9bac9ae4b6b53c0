/** Nernst slope in mV a pH, from the gas constant and Faraday's (CODATA 2018); the stand-in has its own, so that it does not check the program with itself. */
export const nernst = (temperatureC: number) => ((Math.LN10 * 8.314462618 * (temperatureC + 273.15)) / 96485.33212) * 1000;

export interface GlassState {
  slope: number;
  offsetMv: number;
  tauSeconds: number;
  driftMvPerMinute: number;
}

/** A pH glass with its reference: follows what it stands in by a fast and a slow part, drifts when it came dry. */
export class PhElectrode {
  millivolts = -20;
  private slow = -20;
  private still = 0;

  step(seconds: number, pH: number, temperatureC: number, state: GlassState, wet: boolean): void {
    const target = state.offsetMv + state.slope * nernst(temperatureC) * (7 - pH);
    if (!wet) return;
    this.still += seconds;
    const drift = state.driftMvPerMinute * (this.still / 60) * Math.exp(-this.still / 600);
    const fast = 1 - Math.exp(-seconds / state.tauSeconds);
    const slow = 1 - Math.exp(-seconds / (state.tauSeconds * 3));
    this.millivolts += (target + drift - this.millivolts) * fast;
    this.slow += (target + drift - this.slow) * slow;
  }

  /** Another liquid: what it drifted by so far is no longer told from its voltage. */
  dipped(): void {
    this.still = 0;
  }

  reading(noise: number): number {
    return 0.93 * this.millivolts + 0.07 * this.slow + noise;
  }
}

/** Points of a meter's own calibration: piecewise lines in mV, referred to the temperature by Nernst. */
export interface PhLine {
  points: { pH: number; scaled: number }[];
}

/** pH that the meter shows: `scaled` is mV over the Nernst slope at its temperature. Outside its points the end lines go on; one point takes the theoretical slope. */
export function showPh(line: PhLine, millivolts: number, temperatureC: number): number {
  const at = millivolts / nernst(temperatureC);
  const points = [...line.points].sort((a, b) => a.pH - b.pH);
  if (points.length === 1) return points[0]!.pH - (at - points[0]!.scaled);
  let i = points.findIndex((point, index) => index > 0 && at >= point.scaled);
  if (i < 1) i = points.length - 1;
  const [low, high] = [points[i - 1]!, points[i]!];
  return low.pH + ((at - low.scaled) * (high.pH - low.pH)) / (high.scaled - low.scaled);
}

/** Slope in per cent of Nernst of each line, acid first. */
export const slopesOf = ({ points }: PhLine): number[] => {
  const sorted = [...points].sort((a, b) => a.pH - b.pH);
  return sorted.slice(1).map((high, i) => (-(high.scaled - sorted[i]!.scaled) / (high.pH - sorted[i]!.pH)) * 100);
};
