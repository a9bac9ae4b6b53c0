import { requireRange } from '../range-error';
import { nernstSlope } from './nernst-slope';

export interface ElectrodePoint {
  pH: number;
  millivolts: number;
  temperatureC: number;
}
export interface ElectrodeSegment {
  fromPH: number;
  toPH: number;
  slopeMvPerPH: number;
  slopePercent: number;
}

export interface Electrode {
  /** Between neighbouring buffers, rising in pH; empty for one point, which gives no slope. */
  segments: ElectrodeSegment[];
  /** E at pH 7, mV. */
  offsetMv: number;
  /** pH at which E is 0; null where the line never gets there (no slope at all, as with a cracked glass). */
  zeroPointPH: number | null;
}

/**
 * Calibration lines of a pH electrode through one or more buffers, piecewise between neighbours.
 * Arguments: pH 0 to 14, mV -2000 to 2000, °C -5 to 100 at each point. Slopes are positive for a healthy electrode, in mV per pH and per cent of the
 * Nernst slope at the points' temperature; the offset is E at pH 7, on the segment that holds pH 7 or the nearest one; one point takes the theoretical slope.
 * Errors: RangeError naming the argument; no point, or the same pH twice. Source: Nernst equation, IUPAC Recommendations 2002 (Buck et al.), multi-point bracketing.
 *
 * @example
 * fitElectrode({ points: [{ pH: 7, millivolts: 0, temperatureC: 25 }, { pH: 4, millivolts: 177.4779, temperatureC: 25 }] })
 * // { segments: [{ fromPH: 4, toPH: 7, slopeMvPerPH: 59.1593, slopePercent: 100 }], offsetMv: 0, zeroPointPH: 7 }
 */
export function fitElectrode({ points }: { points: ElectrodePoint[] }): Electrode {
  if (points.length === 0) throw new RangeError('points must hold at least one point, got 0');
  points.forEach((point, index) => {
    requireRange(`points[${index}].pH`, point.pH, 0, 14);
    requireRange(`points[${index}].millivolts`, point.millivolts, -2000, 2000);
    requireRange(`points[${index}].temperatureC`, point.temperatureC, -5, 100);
  });
  const sorted = [...points].sort((a, b) => a.pH - b.pH);
  sorted.forEach((point, index) => {
    if (index > 0 && point.pH === sorted[index - 1]!.pH)
      throw new RangeError(`points must each have a pH of their own, got ${point.pH} twice`);
  });
  const lines = sorted.slice(1).map((upper, index) => lineThrough(sorted[index]!, upper));
  if (lines.length === 0) {
    const { pH, millivolts, temperatureC } = sorted[0]!;
    const slope = nernstSlope({ temperatureC });
    const offsetMv = millivolts - slope * (7 - pH);
    return { segments: [], offsetMv, zeroPointPH: 7 + offsetMv / slope };
  }
  const neutral = lines.find((line) => line.segment.toPH >= 7) ?? lines[lines.length - 1]!;
  return { segments: lines.map((line) => line.segment), offsetMv: neutral.offsetMv, zeroPointPH: zeroPoint(lines) };
}

interface Line {
  segment: ElectrodeSegment;
  offsetMv: number;
}

/** The line E = offset + share · N(T) · (7 - pH) through two points, each at its own temperature. */
function lineThrough(lower: ElectrodePoint, upper: ElectrodePoint): Line {
  const reach = (point: ElectrodePoint) => nernstSlope({ temperatureC: point.temperatureC }) * (7 - point.pH);
  const share = (lower.millivolts - upper.millivolts) / (reach(lower) - reach(upper));
  const slopeMvPerPH = share * nernstSlope({ temperatureC: (lower.temperatureC + upper.temperatureC) / 2 });
  return {
    segment: { fromPH: lower.pH, toPH: upper.pH, slopeMvPerPH, slopePercent: share * 100 },
    offsetMv: lower.millivolts - share * reach(lower),
  };
}

function zeroPoint(lines: Line[]): number | null {
  const crossings = lines.map(({ segment, offsetMv }) => ({
    segment,
    pH: segment.slopeMvPerPH === 0 ? NaN : 7 + offsetMv / segment.slopeMvPerPH,
  }));
  const inside = crossings.find(({ segment, pH }) => pH >= segment.fromPH && pH <= segment.toPH);
  const distance = ({ segment, pH }: { segment: ElectrodeSegment; pH: number }) =>
    Math.min(Math.abs(pH - segment.fromPH), Math.abs(pH - segment.toPH));
  const nearest = crossings.filter(({ pH }) => Number.isFinite(pH)).sort((a, b) => distance(a) - distance(b))[0];
  return (inside ?? nearest)?.pH ?? null;
}
