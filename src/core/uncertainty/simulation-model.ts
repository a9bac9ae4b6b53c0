import { requireRange } from '../range-error';

/** A model as data, so that it can be sent to a worker: a sum with sensitivities, a product, or a quotient of the first by the others. */
export type ModelName = { kind: 'sum'; sensitivities: number[] } | { kind: 'product' } | { kind: 'quotient' };

/**
 * The function that a named model stands for.
 * Errors: RangeError for an unknown kind or a sensitivity that is not finite. Source: definitions.
 *
 * @example
 * simulationModel({ kind: 'sum', sensitivities: [1, -1] })(Float64Array.of(5, 3)) // 2
 */
export function simulationModel(model: ModelName): (values: Float64Array) => number {
  switch (model.kind) {
    case 'sum': {
      const sensitivities = Float64Array.from(model.sensitivities);
      sensitivities.forEach((value, index) => requireRange(`sensitivities[${index}]`, value, -Infinity, Infinity));
      return (values) => {
        let sum = 0;
        for (let i = 0; i < values.length; i += 1) sum += values[i]! * (sensitivities[i] ?? 1);
        return sum;
      };
    }
    case 'product':
      return (values) => {
        let product = 1;
        for (let i = 0; i < values.length; i += 1) product *= values[i]!;
        return product;
      };
    case 'quotient':
      return (values) => {
        let quotient = values[0]!;
        for (let i = 1; i < values.length; i += 1) quotient /= values[i]!;
        return quotient;
      };
    default:
      throw new RangeError(`model.kind must be sum, product or quotient, got ${String((model as { kind: unknown }).kind)}`);
  }
}
