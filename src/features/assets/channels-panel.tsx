'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { Folded } from '@/ui/folded';
import { attempt, messageBeside } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { correctChannelsAction } from './actions';
import { CHANNEL_STATES, stampOfChannels, type ChannelState } from './channel-state';
import '@/core/words/en/assets';

interface Props {
  assetId: string;
  channels: (ChannelState & { label: string })[];
}

/** Channels and sensors of this one instrument, put right with a reason. Folded until somebody wants it. */
export function ChannelsPanel({ assetId, channels }: Props) {
  const router = useRouter();
  const [given, setGiven] = useState(channels);
  const [why, setWhy] = useState('');
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const change = (index: number, part: Partial<ChannelState>) =>
    setGiven(given.map((one, at) => (at === index ? { ...one, ...part } : one)));
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() =>
      correctChannelsAction({
        assetId,
        why,
        seen: stampOfChannels(channels),
        channels: given.map(({ label: _label, ...one }) => one),
      }),
    );
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? say({ code: 'assetChannel.saved' }) : messageBeside(result));
    if (result.ok) setWhy('');
    router.refresh();
  };
  return (
    <Folded summary={say({ code: 'assetChannel.correct' })} testId="correct-channels">
      {() => (
        <>
          <p className="quiet small mb-1">{say({ code: 'assetChannel.how' })}</p>
          <form onSubmit={send} noValidate>
            {given.map((channel, index) => {
              const named = (field: keyof ChannelState) => problems[`channels[${index}].${field}`];
              const label = (what: 'state' | 'sensor' | 'since' | 'warranty') =>
                say({ code: `assetChannel.${what}`, numbers: { channel: channel.label } });
              return (
                <div key={channel.id} className="row align-items-start" data-testid={`channel-${channel.label}`}>
                  <div className="col-sm-1 pt-2 fw-semibold">{channel.label}</div>
                  <div className="col-sm-3">
                    <Form.Select
                      className="mb-2"
                      aria-label={label('state')}
                      value={channel.status}
                      onChange={(event) =>
                        change(index, { status: CHANNEL_STATES.find((one) => one === event.target.value) ?? channel.status })
                      }
                    >
                      {CHANNEL_STATES.map((state) => (
                        <option key={state} value={state}>
                          {say({ code: `assetChannel.state.${state}` })}
                        </option>
                      ))}
                    </Form.Select>
                  </div>
                  <div className="col-sm-3">
                    <Field label={label('sensor')} problem={named('sensorSerial')}>
                      <Form.Control
                        className="mono"
                        autoComplete="off"
                        value={channel.sensorSerial ?? ''}
                        onChange={(event) => change(index, { sensorSerial: event.target.value })}
                      />
                    </Field>
                  </div>
                  {(['installedOn', 'warrantyUntil'] as const).map((field) => (
                    <div className="col-sm-2" key={field}>
                      <Field label={label(field === 'installedOn' ? 'since' : 'warranty')} problem={named(field)}>
                        <DayInput value={channel[field] ?? ''} onChange={(value) => change(index, { [field]: value || null })} />
                      </Field>
                    </div>
                  ))}
                </div>
              );
            })}
            <Field label={say({ code: 'assetEdit.why' })} problem={problems.why}>
              <Form.Control
                value={why}
                placeholder={say({ code: 'assetChannel.whyExample' })}
                onChange={(event) => setWhy(event.target.value)}
              />
            </Field>
            <Button type="submit" variant="plain">
              {say({ code: 'assetEdit.save' })}
            </Button>{' '}
            <span role="status">{message}</span>
          </form>
        </>
      )}
    </Folded>
  );
}
