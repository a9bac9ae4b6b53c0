export type AstmSolution = 'A' | 'B' | 'C' | 'D';

/** Conductivity at 25 °C of the potassium chloride solutions by weight, µS/cm: ASTM D1125, from memory. */
const AT_25: Record<AstmSolution, number> = { A: 111_342, B: 12_856, C: 1408.8, D: 146.93 };

/**
 * Conductivity of a reference solution of ASTM D1125 at 25 °C; other temperatures are the certificate's to state.
 * Quantity: µS/cm; argument: A (about 1 mol/L), B, C or D (about 0.001 mol/L). Errors: RangeError for another one. Source: ASTM D1125 (memory).
 *
 * @example
 * astmSolution({ solution: 'C' }) // 1408.8
 */
export function astmSolution({ solution }: { solution: AstmSolution }): number {
  if (!Object.hasOwn(AT_25, solution)) throw new RangeError(`solution must be one of A, B, C, D, got ${String(solution)}`);
  return AT_25[solution];
}
