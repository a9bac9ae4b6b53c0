'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { putAtSiteAction } from './actions';
import '@/core/words/en/assets';

/** At which of its customer's sites an instrument is; taken when it is chosen. */
export function SiteChoice({
  assetId,
  siteId,
  sites,
}: {
  assetId: string;
  siteId: string | null;
  sites: { id: string; name: string }[];
}) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const choose = async (chosen: string) => {
    const result = await attempt(() => putAtSiteAction({ assetId, siteId: chosen || null }));
    setSaid(result.ok ? say({ code: 'assetSite.kept' }) : messageBeside(result));
    router.refresh();
  };
  return (
    <>
      <Form.Select
        aria-label={say({ code: 'assetSite.title' })}
        value={siteId ?? ''}
        onChange={(event) => void choose(event.target.value)}
      >
        <option value="">{say({ code: 'assetSite.none' })}</option>
        {sites.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Form.Select>
      <span role="status" className="small">
        {said}
      </span>
    </>
  );
}
