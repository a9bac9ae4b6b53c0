'use client';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { UNITS_OF, type MeasurandId } from '@/core/quantity/unit';
import type { ModelChannel } from '@/core/stored/channel';
import { say } from '@/core/words/say';
import { without } from './without';
import '@/core/words/en/models';
import '@/core/words/en/certificate';

/** A place of the procedure, and how another model fits it. */
export interface Place {
  role: string;
  label: string;
  measurands: readonly string[];
  optional: boolean;
  like: ModelChannel | null;
}

interface Props {
  channels: ModelChannel[];
  places: readonly Place[];
  problems: Record<string, string>;
  onChange: (channels: ModelChannel[]) => void;
}

/** What each channel shows and how it is judged; what does not fit is said under its row. */
export function ChannelRows({ channels, places, problems, onChange }: Props) {
  const put = (index: number, channel: ModelChannel) => onChange(channels.map((one, at) => (at === index ? channel : one)));
  const missing = places.filter((place) => place.like && !channels.some((channel) => channel.role === place.role));
  return (
    <>
      <div style={{ overflowX: 'auto' }}>
        <table className="table align-middle mb-2 model-channels">
          <thead>
            <tr className="small">
              {(
                [
                  'label',
                  'measurand',
                  'unitOf',
                  'lowest',
                  'highest',
                  'resolution',
                  'absolute',
                  'percentOfTarget',
                  'zero',
                  'low',
                  'high',
                ] as const
              ).map((name) => (
                <th key={name}>{say({ code: `model.${name}` })}</th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {channels.map((channel, index) => (
              <Row
                key={channel.role}
                channel={channel}
                place={places.find((place) => place.role === channel.role)}
                problemAt={(name) => problems[`channels.${index}.${name}`]}
                onChange={(next) => put(index, next)}
                onDrop={() => onChange(channels.filter((one) => one !== channel))}
              />
            ))}
          </tbody>
        </table>
      </div>
      {problems.channels && (
        <p className="field-problem" role="alert">
          {problems.channels}
        </p>
      )}
      <div className="d-flex flex-wrap gap-2 mb-2">
        {missing.map((place) => (
          <Button key={place.role} variant="plain" size="sm" onClick={() => onChange([...channels, place.like!])}>
            {say({ code: 'model.add', numbers: { channel: place.label } })}
          </Button>
        ))}
      </div>
    </>
  );
}

interface RowProps {
  channel: ModelChannel;
  place: Place | undefined;
  problemAt: (name: string) => string | undefined;
  onChange: (channel: ModelChannel) => void;
  onDrop: () => void;
}

function Row({ channel, place, problemAt, onChange, onDrop }: RowProps) {
  const measurands = (place?.measurands ?? []).filter((one) => one !== channel.measurand);
  const entry = (name: string, label: string, value: string | undefined, put: (text: string) => void, width = '4.1rem') => (
    <td>
      <Form.Control
        size="sm"
        className="mono"
        style={{ width }}
        aria-label={`${channel.label}: ${label}`}
        aria-invalid={Boolean(problemAt(name))}
        value={value ?? ''}
        onChange={(event) => put(event.target.value.trim().replace(',', '.'))}
      />
    </td>
  );
  const part = <K extends 'tolerance' | 'alarms'>(group: K, name: string, text: string) => {
    const rest = without((channel[group] ?? {}) as Record<string, string>, name);
    onChange({ ...channel, [group]: text === '' ? rest : { ...rest, [name]: text } });
  };
  const said = [...new Set(NAMES.map(problemAt).filter(Boolean))] as string[];
  return (
    <>
      <tr>
        {entry('label', say({ code: 'model.label' }), channel.label, (label) => onChange({ ...channel, label }), '6.6rem')}
        <td>
          <Form.Select
            size="sm"
            style={{ width: '9.6rem' }}
            aria-label={`${channel.label}: ${say({ code: 'model.measurand' })}`}
            value={channel.measurand}
            onChange={(event) => {
              const measurand = event.target.value as MeasurandId;
              const units: readonly string[] = UNITS_OF[measurand];
              onChange({ ...channel, measurand, unit: units.includes(channel.unit) ? channel.unit : units[0]! });
            }}
          >
            {[channel.measurand, ...measurands].map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Form.Select>
        </td>
        <td>
          <Form.Select
            size="sm"
            style={{ width: '5.4rem' }}
            aria-label={`${channel.label}: ${say({ code: 'model.unitOf' })}`}
            value={channel.unit}
            onChange={(event) => onChange({ ...channel, unit: event.target.value })}
          >
            {UNITS_OF[channel.measurand].map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Form.Select>
        </td>
        {(['lowest', 'highest', 'resolution'] as const).map((name) => (
          <Cell key={name}>
            {entry(name, say({ code: `model.${name}` }), channel[name], (text) => onChange({ ...channel, [name]: text }))}
          </Cell>
        ))}
        {(['absolute', 'percentOfTarget', 'zero'] as const).map((name) => (
          <Cell key={name}>
            {entry(`tolerance.${name}`, say({ code: `model.${name}` }), channel.tolerance[name], (text) =>
              part('tolerance', name, text),
            )}
          </Cell>
        ))}
        {(['low', 'high'] as const).map((name) => (
          <Cell key={name}>
            {entry(`alarms.${name}`, say({ code: `model.${name}` }), channel.alarms?.[name], (text) =>
              part('alarms', name, text),
            )}
          </Cell>
        ))}
        <td>
          <Button variant="plain" size="sm" className="text-nowrap" onClick={onDrop}>
            {say({ code: 'model.drop' })}
          </Button>
        </td>
      </tr>
      {said.length > 0 && (
        <tr>
          <td colSpan={12}>
            <div className="field-problem" role="alert">
              {channel.label}: {said.join(' ')}
            </div>
          </td>
        </tr>
      )}
    </>
  );
}

/** A cell brings its own td; this only carries the key. */
const Cell = ({ children }: { children: React.ReactNode }) => children;

const NAMES = [
  'label',
  'measurand',
  'unit',
  'lowest',
  'highest',
  'resolution',
  'tolerance.absolute',
  'tolerance.percentOfTarget',
  'tolerance.zero',
  'alarms.low',
  'alarms.high',
];
