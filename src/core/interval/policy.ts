import type { Every } from './next-due';

export type PolicyScope = 'asset' | 'customerModel' | 'customer' | 'model';

export interface IntervalPolicy {
  id: string;
  scope: PolicyScope;
  every: Every;
}

const STRENGTH: PolicyScope[] = ['asset', 'customerModel', 'customer', 'model'];

/**
 * The policy that counts: asset over customer and model over customer over model.
 * Takes the policies that apply to one asset (at most one a scope), returns the strongest with the reason, or null where nobody set one.
 * Source: common practice.
 */
export function effectivePolicy({ policies }: { policies: IntervalPolicy[] }): { policy: IntervalPolicy; reason: string } | null {
  for (const scope of STRENGTH) {
    const policy = policies.find((candidate) => candidate.scope === scope);
    if (policy) return { policy, reason: `${SCOPE_NAME[scope]}: every ${describeEvery(policy.every)}` };
  }
  return null;
}

const SCOPE_NAME: Record<PolicyScope, string> = {
  asset: 'set for this instrument',
  customerModel: 'set for this customer and model',
  customer: 'set for this customer',
  model: 'set for this model',
};

export function describeEvery(every: Every): string {
  const [count, unit] = 'days' in every ? [every.days, 'day'] : [every.months, 'month'];
  const time = `${count} ${unit}${count === 1 ? '' : 's'}`;
  return every.uses ? `${time} or ${every.uses} uses` : time;
}
