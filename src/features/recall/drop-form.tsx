'use client';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { WhyForm } from '@/ui/why-form';
import { dropSuspicionAction } from './actions';
import '@/core/words/en/recall';
import '@/core/words/en/register';

/** Nothing was wrong with it, and why. */
export const DropForm = ({ id }: { id: string }) => (
  <WhyForm
    testId="drop-suspicion"
    title={say({ code: 'recall.unfounded' })}
    how={say({ code: 'recall.unfoundedHow' })}
    label={say({ code: 'register.why' })}
    act={async (why) => saidOfWhy(await attempt(() => dropSuspicionAction({ id, why })))}
  />
);
