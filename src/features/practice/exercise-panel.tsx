'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Done } from '@/core/practice/attempt';
import { FAULT_IDS, faultOf, LOOKS, possibleFaults, REMEDIES, type FaultId, type Look, type Remedy } from '@/core/practice/fault';
import type { ExercisePlace } from '@/core/practice/exercise';
import type { Doing } from '@/core/practice/doing';
import type { RunState } from '@/core/record/state';
import { say } from '@/core/words/say';
import '@/core/words/en/practice-exercise';
import '@/core/words/en/practice-debrief';

const KEYS = ['zero', 'span', 'save'] as const;

/** What a hand does in an exercise besides the sheet: the instrument's own keys, looking closer, putting something right, and saying what is wrong. */
export function ExercisePanel({
  of,
  state,
  diagnoses,
  last,
  act,
}: {
  of: ExercisePlace;
  state: RunState;
  diagnoses: boolean;
  last: Done | null;
  act: (doing: Doing) => void;
}) {
  const possible = possibleFaults({ channels: state.channels, procedure: of.procedure, traits: of.model.traits });
  const could = FAULT_IDS.filter((one) => possible.some(({ fault }) => fault === one));
  const looks = LOOKS.filter((one) => could.some((fault) => faultOf(fault).look === one));
  const remedies = REMEDIES.filter(
    (one): one is Exclude<Remedy, 'service' | 'otherBottle'> =>
      one !== 'service' && one !== 'otherBottle' && could.some((fault) => faultOf(fault).remedy === one),
  );
  const [slot, setSlot] = useState(0);
  const [look, setLook] = useState<Look | ''>('');
  const [remedy, setRemedy] = useState<Remedy | ''>('');
  const [said, setSaid] = useState('');
  const named = possible.map((one) => ({
    key: `${one.fault}/${one.channel ?? ''}`,
    word: `${say({ code: `practice.fault.${one.fault}` })}${one.channel ? `: ${state.channels.find((each) => each.id === one.channel)?.label ?? ''}` : ''}`,
  }));
  const diagnose = () => {
    const [fault, channel] = said.split('/');
    act({ do: 'diagnose', fault: fault as FaultId | 'none', ...(channel ? { channel } : {}) });
  };
  return (
    <section className="sheet py-2 mt-3" aria-label={say({ code: 'practice.hand' })} data-testid="practice-hand">
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <strong className="small">{say({ code: 'practice.hand' })}</strong>
        <Form.Select
          size="sm"
          style={{ width: '11rem' }}
          aria-label={say({ code: 'practice.channel' })}
          value={slot}
          onChange={(event) => setSlot(Number(event.target.value))}
        >
          <option value={0}>{say({ code: 'practice.allChannels' })}</option>
          {state.channels.map((one, index) => (
            <option key={one.id} value={index + 1}>
              {one.label}
            </option>
          ))}
        </Form.Select>
        {KEYS.map((key) => (
          <Button
            key={key}
            variant="plain"
            className="mono"
            onClick={() => act({ do: 'press', key, ...(slot && key !== 'save' ? { slot } : {}) })}
          >
            {key.toUpperCase()}
          </Button>
        ))}
        <Choose
          label={say({ code: 'practice.lookAt' })}
          value={look}
          set={(value) => setLook(value as Look)}
          options={looks.map((one) => [one, say({ code: `practice.look.${one}` })])}
          go={() => look && act({ do: 'look', look })}
        />
        <Choose
          label={say({ code: 'practice.mend' })}
          value={remedy}
          set={(value) => setRemedy(value as Remedy)}
          options={remedies.map((one) => [one, say({ code: `practice.remedy.${one}` })])}
          go={() => remedy && act({ do: 'mend', remedy })}
        />
        {diagnoses && (
          <Choose
            label={say({ code: 'practice.itIs' })}
            value={said}
            set={setSaid}
            options={[
              ['none/', say({ code: 'practice.fault.none' })],
              ...named.map(({ key, word }): [string, string] => [key, word]),
            ]}
            go={() => said && diagnose()}
          />
        )}
      </div>
      <p className="mb-0 mt-1 small" role="status" data-testid="practice-said">
        {last ? saidBy(last) : say({ code: 'practice.handHow' })}
      </p>
    </section>
  );
}

function Choose({
  label,
  value,
  set,
  options,
  go,
}: {
  label: string;
  value: string;
  set: (value: string) => void;
  options: [string, string][];
  go: () => void;
}) {
  return (
    <span className="d-inline-flex gap-1 align-items-center">
      <Form.Select
        size="sm"
        style={{ width: '12rem' }}
        aria-label={label}
        value={value}
        onChange={(event) => set(event.target.value)}
      >
        <option value="">{label} …</option>
        {options.map(([id, word]) => (
          <option key={id} value={id}>
            {word}
          </option>
        ))}
      </Form.Select>
      <Button
        size="sm"
        variant="plain"
        aria-label={say({ code: 'practice.do', numbers: { what: label } })}
        disabled={!value}
        onClick={go}
      >
        {say({ code: 'practice.go' })}
      </Button>
    </span>
  );
}

/** What came of what was done last. */
function saidBy({ act, notices, seen, mended }: Done): string {
  switch (act.do) {
    case 'press': {
      const failed = notices?.some((one) => one.notice.endsWith('Failed'));
      return say({
        code: failed ? 'practice.said.refused' : notices?.length ? 'practice.said.taken' : 'practice.said.silent',
        numbers: { key: act.key.toUpperCase() },
      });
    }
    case 'look':
      return seen
        ? say({ code: `practice.seen.${seen}` })
        : say({ code: 'practice.seen.fine', numbers: { what: say({ code: `practice.look.${act.look}` }) } });
    case 'mend':
      return say({ code: mended ? 'practice.said.mended' : 'practice.said.mendedNothing' });
    case 'diagnose':
      return say({ code: 'practice.said.noted', numbers: { what: say({ code: `practice.fault.${act.fault}` }) } });
    default:
      return '';
  }
}
