/** A sensor as it left the works: raw output at rest, raw output a unit, how fast it follows, and a slow part that comes behind. */
export interface SensorSpec {
  restRaw: number;
  rawPerUnit: number;
  tauSeconds: number;
  slowShare: number;
  slowTauSeconds: number;
  noiseRaw: number;
}

/** What may be wrong with it. */
export interface SensorFault {
  /** Sensitivity left of new: 0.1 for a poisoned combustible sensor that moves to 5 of 50. */
  health?: number;
  /** Follows so many times slower. */
  slower?: number;
  /** Stays where it was, whatever comes. */
  stuck?: boolean;
  /** Sees a background that is not there for the others, in units. */
  background?: number;
}

/** Follows a concentration with a fast and a slow part, exactly for any step of time. */
export class Sensor {
  private fast: number;
  private slow: number;

  constructor(
    readonly spec: SensorSpec,
    atRest: number,
    public fault: SensorFault = {},
  ) {
    this.fast = this.slow = atRest;
  }

  step(seconds: number, concentration: number, flow = 1): void {
    if (this.fault.stuck || flow <= 0) return;
    const seen = concentration + (this.fault.background ?? 0);
    const stretch = (this.fault.slower ?? 1) / flow;
    this.fast += (seen - this.fast) * (1 - Math.exp(-seconds / (this.spec.tauSeconds * stretch)));
    this.slow += (seen - this.slow) * (1 - Math.exp(-seconds / (this.spec.slowTauSeconds * stretch)));
  }

  raw(normal: () => number): number {
    const { restRaw, rawPerUnit, slowShare, noiseRaw } = this.spec;
    const follows = this.fast * (1 - slowShare) + this.slow * slowShare;
    return restRaw + rawPerUnit * (this.fault.health ?? 1) * follows + noiseRaw * normal();
  }
}
