'use client';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { WhyForm } from '@/ui/why-form';
import { strikePositionAction } from './actions';
import '@/core/words/en/money';

/** A line that was wrong. */
export const StrikePosition = ({ positionId }: { positionId: string }) => (
  <WhyForm
    testId={`strike-${positionId}`}
    title={say({ code: 'money.strike' })}
    label={say({ code: 'price.why' })}
    act={async (why) => saidOfWhy(await attempt(() => strikePositionAction({ positionId, why })))}
  />
);
