import type { Component } from '../uncertainty/component';
import { standingComponent, standingOf } from './common-influences';
import type { InfluenceContext, Measurand } from './measurand';

/** What clean air or filtered air still holds of the gas: at a point that is compared with nothing at all. */
export function commonZero(context: InfluenceContext, measurand: Measurand): Component | null {
  if (context.point.target.kind !== 'fixed') return null;
  const filtered = context.target.air === 'filtered' && standingOf(context, measurand, 'zeroFilter') !== null;
  return standingComponent(context, measurand, filtered ? 'zeroFilter' : 'zeroAir', 'zeroGas');
}
