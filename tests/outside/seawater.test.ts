import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { practicalSalinity } from '@/core/conductivity/practical-salinity';
import { oxygenSolubility } from '@/core/oxygen/oxygen-solubility';

/** Debian's python3-gsw: the Gibbs SeaWater toolbox of TEOS-10, an implementation that has nothing to do with ours. */
function gsw(expression: string, rows: number[][]): number[] {
  const program = `import sys, json, gsw; print(json.dumps([float(${expression}) for row in json.load(sys.stdin)]))`;
  return JSON.parse(
    execFileSync('/usr/bin/python3', ['-c', program], { input: JSON.stringify(rows), encoding: 'utf8' }),
  ) as number[];
}

const grid = (...axes: number[][]): number[][] =>
  axes.reduce<number[][]>((rows, axis) => rows.flatMap((row) => axis.map((value) => [...row, value])), [[]]);

describe('against the Gibbs SeaWater toolbox (Debian python3-gsw)', () => {
  it('practical salinity (SP_from_C), low salinities with their extension as well', () => {
    const rows = grid([0.05, 0.3, 1, 2.5, 5, 15, 30, 45], [2, 10, 18.5, 25, 33], [0, 500, 3000]);
    const theirs = gsw('gsw.SP_from_C(row[0], row[1], row[2])', rows);
    const inRange = rows.flatMap((row, i) => (theirs[i]! <= 42 ? [[row, theirs[i]!] as const] : []));
    expect(inRange.length).toBeGreaterThan(80);
    for (const [[c, t, p], salinity] of inRange) {
      expect(
        Math.abs(practicalSalinity({ conductivityMsPerCm: c!, temperatureC: t!, pressureDbar: p! }) - salinity),
        `${c} mS/cm, ${t} °C, ${p} dbar`,
      ).toBeLessThan(2e-6);
    }
  });

  it('solubility of oxygen (O2sol_SP_pt: the Benson and Krause data as fitted by Garcia and Gordon) within 0.15 %', () => {
    const rows = grid([0, 5, 20, 35], [1, 10, 20, 30, 38]);
    const micromolPerKg = gsw('gsw.O2sol_SP_pt(row[0], row[1])', rows);
    const kgPerL = gsw('gsw.rho_t_exact(gsw.SR_from_SP(row[0]), row[1], 0)', rows).map((density) => density / 1000);
    rows.forEach(([salinity, temperatureC], i) => {
      const theirs = micromolPerKg[i]! * kgPerL[i]! * 31.9988e-3;
      const ours = oxygenSolubility({ temperatureC: temperatureC!, pressureHPa: 1013.25, salinity: salinity! });
      expect(Math.abs(ours / theirs - 1), `S ${salinity}, ${temperatureC} °C: ${ours} and ${theirs}`).toBeLessThan(1.5e-3);
    });
    // Reference row: fresh water at 20 °C, 284.625 µmol/kg.
    expect(gsw('gsw.O2sol_SP_pt(row[0], row[1])', [[0, 20]])[0]).toBeCloseTo(284.625, 2);
  });
});
