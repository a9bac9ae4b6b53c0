import { figure, off, share, SLOW_SECONDS } from './figure';
import type { AddCause, WaterFacts } from './probe-facts';

/** A membrane probe for oxygen: membrane, electrolyte, polarisation, a drop. */
export function membraneCauses(facts: WaterFacts, add: AddCause): void {
  const { dips, label } = facts;
  const dip = dips.at(-1);
  if (!dip) return;
  const part = share(dip);
  const says = `${dip.shown} instead of ${figure(dip.value, 2)} (${figure(part * 100, 0)} %).`;
  const slow = Math.max(0, ...dips.map((one) => one.t90Seconds ?? 0));
  const unrest = dips.some((one) => (one.unrest ?? 0) > 1);
  const young = facts.minutesOn !== null && facts.minutesOn !== undefined && facts.minutesOn < 10;
  const sinking = (facts.driftPerMinute ?? 0) < -0.5;
  if (sinking || (part > 1 && off(dip) && young))
    add(
      'notPolarised',
      (sinking ? 4.4 : 3) + (young ? 1 : 0),
      `${label}: not yet polarised`,
      says,
      young && `Switched on ${Math.round(facts.minutesOn!)} min ago, it takes 10.`,
      sinking && 'It sinks while it stands.',
    );
  if (unrest || slow > SLOW_SECONDS)
    add(
      'wrinkledMembrane',
      unrest ? 4.8 : 3.4,
      `${label}: wrinkled or torn membrane`,
      unrest && 'The reading jumps while nothing is touched.',
      slow > SLOW_SECONDS && `T90 ${Math.round(slow)} s.`,
      off(dip) && says,
    );
  if (part < 1 && off(dip)) {
    const old = (facts.membraneMonths ?? 0) > 12;
    const slope = facts.slopePercent ?? part * 100;
    add(
      'lowElectrolyte',
      3.6 + (slope < 75 ? 1 : 0) + (old ? 0.5 : 0) - (unrest ? 0.4 : 0),
      `${label}: electrolyte low or spent`,
      says,
      old && 'The membrane is over a year old.',
    );
    add('wetMembrane', slow > SLOW_SECONDS || slope < 75 ? 1.6 : 3.2, `${label}: drop on the membrane`, says);
    if (!unrest) add('wrinkledMembrane', 2.2, `${label}: membrane`, says);
  }
  if (part > 1 && off(dip) && !sinking) {
    add('wrinkledMembrane', 3.2, `${label}: torn or loose membrane`, says);
    add('notPolarised', young ? 4 : 2, `${label}: not yet polarised`, says);
  }
}
