import { bounded, type Component } from '../uncertainty/component';
import { commonZero } from './zero-gas';
import { standingComponent } from './common-influences';
import type { Danger, InfluenceContext, Measurand } from './measurand';
import { plainTarget } from './plain-target';
import { memory, practice, type StandingDefault, type StandingId } from '../uncertainty/standing';

/** A bench may drift by so much while an instrument stands on it (common practice). */
const BENCH = { temperatureC: 2, pressureHPa: 5 };

/** What gas points have in common: the flow at the sensor, its temperature and pressure where the model states a figure, and what the zero gas still holds. */
export function gasInfluences(context: InfluenceContext, measurand: Measurand): Component[] {
  const { point, channel, target } = context;
  const value = Math.abs(Number(target.value));
  const { temperaturePercentPerC, pressurePercentPerHPa } = channel.coefficients ?? {};
  const model = (id: 'sensorTemperature' | 'sensorPressure', coefficient: string | undefined, half: number, per: string) =>
    coefficient && value > 0
      ? bounded({
          id,
          half,
          sensitivity: (Number(coefficient) / 100) * value,
          basis: { code: 'basis.model', numbers: { coefficient, per: `/${per}`, range: `${half} ${per}` } },
        })
      : null;
  const gas = point.target.kind === 'material';
  return [
    gas ? standingComponent(context, measurand, 'flow', 'flow') : commonZero(context, measurand),
    gas ? model('sensorTemperature', temperaturePercentPerC, BENCH.temperatureC, '°C') : null,
    gas ? model('sensorPressure', pressurePercentPerHPa, BENCH.pressureHPa, 'hPa') : null,
  ].filter((one): one is Component => one !== null);
}

/**
 * A gas that is compared with a certified mixture and zeroed in clean air.
 * `fades`: percent that a bottle may have lost since its certification; `clean`, `filtered`: what is left of it in clean air and behind a filter.
 */
export function gas({
  danger = 'fall',
  fades,
  clean,
  filtered,
  repeats = 1,
  ...own
}: {
  danger?: Danger;
  fades: number;
  clean: [value: number, unit: string];
  filtered?: [value: number, unit: string];
  repeats?: number;
} & Partial<Measurand>): Measurand {
  const standing: Partial<Record<StandingId, StandingDefault>> = {
    repeatability: practice(repeats, 'percent'),
    stability: memory(fades, 'percent'),
    flow: practice(1, 'percent'),
    zeroAir: memory(clean[0], 'absolute', clean[1]),
    ...(filtered ? { zeroFilter: practice(filtered[0], 'absolute', filtered[1]) } : {}),
  };
  const measurand: Measurand = {
    danger,
    inputs: () => [],
    target: plainTarget,
    influences: (context) => gasInfluences(context, measurand),
    standing,
    sensor: { usualT90Seconds: 30 },
    ...own,
  };
  return measurand;
}
