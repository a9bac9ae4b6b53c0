'use client';
import { useState } from 'react';
import { format } from 'date-fns';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SETTING_KINDS, type SettingKind } from '@/core/instrument/setting';
import type { Command } from '@/core/run/command';
import { say } from '@/core/words/say';
import { sendPhotos } from '@/features/paper';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import type { LiveRun } from './use-run';
import '@/core/words/en/from-paper';
import '@/core/words/en/doors';
import '@/core/words/en/refusals-acts';

const DOORS = ['note', 'part', 'setting', 'channel', 'paper', 'abort'] as const;
type Door = (typeof DOORS)[number];
type Given = Record<string, string>;
/** What each door asks, and which of the core's commands it sends. */
const COMMAND: Record<Door, (given: Given) => Command> = {
  note: ({ text = '' }) => ({ type: 'note', text }),
  part: ({ channel = '', part = '', newSerial = '' }) => ({ type: 'replacePart', channel, part, newSerial }),
  setting: ({ kind = 'alarm', setting = '', before = '', after = '', agreedBy = '' }) => ({
    type: 'changeSetting',
    kind: kind as SettingKind,
    setting,
    before,
    after,
    ...(agreedBy ? { agreedBy } : {}),
  }),
  channel: ({ channel = '', status = 'removed', reason = '' }) => ({
    type: 'setChannel',
    channel,
    status: status as 'removed',
    reason,
  }),
  // Its photos are sent first.
  paper: ({ day = '', by = '', photos = '' }) => ({ type: 'takePaper', day, by, photos: photos.split(' ').filter(Boolean) }),
  abort: ({ reason = '' }) => ({ type: 'abort', reason }),
};
const NEEDED: Record<Door, string[]> = {
  note: ['text'],
  part: ['channel', 'part', 'newSerial'],
  setting: ['setting', 'before', 'after'],
  channel: ['channel', 'reason'],
  paper: ['day', 'by'],
  abort: ['reason'],
};

/** What may happen at any time, besides the steps: a note, a new part, a setting, a channel that is not there, giving up. */
export function RunDoors({ run }: { run: LiveRun }) {
  const [door, setDoor] = useState<Door | null>(null);
  const [given, setGiven] = useState<Given>({});
  const [problem, setProblem] = useState('');
  const [files, setFiles] = useState<File[]>([]);
  const open = (next: Door) => {
    setDoor(next === door ? null : next);
    setGiven({
      channel: run.state.channels[0]?.id ?? '',
      status: 'removed',
      day: run.state.paper?.day ?? format(new Date(), 'yyyy-MM-dd'),
      by: run.state.paper?.by ?? run.by.name,
    });
    setFiles([]);
    setProblem('');
  };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!door) return;
    const missing = NEEDED[door].find((name) => !given[name]?.trim());
    if (missing) return setProblem(say({ code: 'doors.missing' }));
    let told = given;
    if (door === 'paper') {
      if (files.length === 0) return setProblem(say({ code: 'refused.noPhoto' }));
      const sent = await sendPhotos(run.state.run, files);
      if ('problem' in sent) return setProblem(sent.problem);
      told = { ...given, photos: sent.hashes.join(' ') };
    }
    const refused = await run.send(COMMAND[door](told));
    if (refused) setProblem(refused.sentence);
    else open(door);
  };
  const field = (name: string, label: string, large = false) => (
    <Field label={label} key={name}>
      <Form.Control
        {...(large ? { as: 'textarea', rows: 2 } : {})}
        value={given[name] ?? ''}
        onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
      />
    </Field>
  );
  const channel = (
    <Field label={say({ code: 'doors.channel' })}>
      <Form.Select value={given.channel} onChange={(event) => setGiven({ ...given, channel: event.target.value })}>
        {run.state.channels.map((one) => (
          <option key={one.id} value={one.id}>
            {one.label}
          </option>
        ))}
      </Form.Select>
    </Field>
  );
  return (
    <section className="mt-3" aria-label={say({ code: 'doors.title' })}>
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {DOORS.map((one) => (
          <Button key={one} size="sm" variant="plain" active={door === one} onClick={() => open(one)}>
            {say({ code: `doors.${one}` })}
          </Button>
        ))}
      </div>
      {door && (
        <form className="sheet mt-2" onSubmit={send} data-testid="door">
          {door === 'note' && field('text', say({ code: 'doors.noteAsk' }), true)}
          {door === 'part' && (
            <div className="d-flex flex-wrap gap-3">
              {channel}
              {field('part', say({ code: 'doors.partWhat' }))}
              {field('newSerial', say({ code: 'doors.partSerial' }))}
            </div>
          )}
          {door === 'setting' && (
            <div className="d-flex flex-wrap gap-3">
              <Field label={say({ code: 'doors.settingKind' })}>
                <Form.Select value={given.kind ?? 'alarm'} onChange={(event) => setGiven({ ...given, kind: event.target.value })}>
                  {SETTING_KINDS.map((one) => (
                    <option key={one} value={one}>
                      {say({ code: `setting.${one}` })}
                    </option>
                  ))}
                </Form.Select>
              </Field>
              {field('setting', say({ code: 'doors.settingWhat' }))}
              {field('before', say({ code: 'doors.before' }))}
              {field('after', say({ code: 'doors.after' }))}
              {field('agreedBy', say({ code: 'doors.agreed' }))}
            </div>
          )}
          {door === 'channel' && (
            <div className="d-flex flex-wrap gap-3">
              {channel}
              <Field label={say({ code: 'doors.title' })}>
                <Form.Select value={given.status} onChange={(event) => setGiven({ ...given, status: event.target.value })}>
                  {(['removed', 'notCalibrated', 'fitted'] as const).map((one) => (
                    <option key={one} value={one}>
                      {say({ code: `doors.${one}` })}
                    </option>
                  ))}
                </Form.Select>
              </Field>
              {field('reason', say({ code: 'doors.why' }))}
            </div>
          )}
          {door === 'paper' && (
            <div className="d-flex flex-wrap gap-3">
              <Field label={say({ code: 'paper.day' })}>
                <DayInput value={given.day ?? ''} onChange={(value) => setGiven({ ...given, day: value })} />
              </Field>
              {field('by', say({ code: 'paper.by' }))}
              <Field label={say({ code: 'paper.photos' })}>
                <Form.Control
                  type="file"
                  accept="image/jpeg,image/png"
                  multiple
                  onChange={(event) => setFiles([...((event.target as HTMLInputElement).files ?? [])])}
                />
              </Field>
            </div>
          )}
          {door === 'abort' && field('reason', say({ code: 'doors.abortAsk' }), true)}
          {problem && (
            <div className="field-problem mb-2" role="alert">
              {problem}
            </div>
          )}
          <Button type="submit" disabled={run.busy} {...(door === 'abort' ? { variant: 'outline-danger' } : {})}>
            {say({ code: `doors.${door}Act` })}
          </Button>
        </form>
      )}
    </section>
  );
}
