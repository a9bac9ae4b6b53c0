'use client';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { WhyForm } from '@/ui/why-form';
import { retireAssetAction, takeBackAssetAction } from './actions';
import '@/core/words/en/retire';

/** Sold, scrapped, lost; or back again. */
export function RetireForm({ assetId, retired }: { assetId: string; retired: boolean }) {
  const act = retired ? takeBackAssetAction : retireAssetAction;
  return (
    <WhyForm
      testId="retire"
      title={say({ code: retired ? 'retire.back' : 'retire.act' })}
      label={say({ code: 'retire.why' })}
      example={say({ code: 'retire.example' })}
      act={async (why) => saidOfWhy(await attempt(() => act({ assetId, why })))}
    />
  );
}
