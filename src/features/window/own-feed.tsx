'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { post } from '@/platform/client/post';
import '@/core/words/en/feeds';

/** An address for one's own calendar. */
export function OwnFeed() {
  const [said, setSaid] = useState({ address: '', problem: '' });
  const make = async () => {
    const result = await post<{ address: string }>('/api/window/feed', {});
    setSaid(result.ok ? { address: result.value.address, problem: '' } : { address: '', problem: result.message });
  };
  return (
    <section className="sheet mt-3" data-testid="own-feed">
      <h2>{say({ code: 'feed.own' })}</h2>
      <p className="quiet">{say({ code: 'feed.ownHow' })}</p>
      <Button variant="plain" onClick={make}>
        {say({ code: 'feed.make' })}
      </Button>
      {said.address && (
        <p className="notice mt-2 mb-0" role="status">
          {say({ code: 'feed.once' })} <span className="mono text-break">{said.address}</span>
        </p>
      )}
      {said.problem && (
        <p className="field-problem" role="alert">
          {said.problem}
        </p>
      )}
    </section>
  );
}
