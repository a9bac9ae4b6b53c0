import type { RunView } from '@/features/bench';
import { matchChannels } from '@/core/live/match-channels';
import { LINE_PROTOCOL } from '@/core/live/said';
import { practiceInfos } from '@/core/practice/practice-infos';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { ScriptedRun } from '@/core/run/scripted';
import type { ModelChannel } from '@/core/stored/channel';
import { say } from '@/core/words/say';
import '@/core/words/en/practice';

const SERIAL = 'PRACTICE';
const IN_USE = 'inUse';
/** Lines are known by such ids; this one is of no device. */
const LINE = '00000000-0000-4000-8000-000000000001';

export interface PracticeViewOf {
  run: ScriptedRun;
  shelf: ReferenceSnapshot[];
  model: { id: string; maker: string; name: string; channels: readonly ModelChannel[] };
  keys: RunView['keys'];
  mayWriteKeys: boolean;
  me: { id: string; name: string };
  today: string;
  currency: string;
  kind?: NonNullable<RunView['practice']>;
  /** Sensors that are not there. */
  absent?: readonly string[];
}

/** What the run sheet shows of a run that lives in this page alone: nothing of it is kept, nobody's instrument is on it. */
export function practiceView({
  run,
  shelf,
  model,
  keys,
  mayWriteKeys,
  me,
  today,
  currency,
  kind = 'try',
  absent = [],
}: PracticeViewOf): RunView {
  const infos = practiceInfos(run.state.channels, absent);
  const { id, maker, name, channels } = model;
  return {
    state: run.state,
    procedure: run.procedure,
    today,
    ticket: null,
    asset: { id, maker, model: name, modelId: id, serial: SERIAL, tag: '', status: IN_USE, why: '' },
    customer: say({ code: 'practice.customer' }),
    shelf,
    earlier: {},
    line: {
      id: LINE,
      kind: 'instrument',
      name: SERIAL,
      maker,
      serial: SERIAL,
      state: 'connected',
      reason: '',
      dropped: 0,
      droppedWhy: '',
      seenAt: null,
      hello: {
        type: 'hello',
        protocol: LINE_PROTOCOL,
        maker,
        model: name,
        serial: SERIAL,
        firmware: '—',
        clock: new Date().toISOString(),
        keys: [],
        channels: infos,
      },
      via: 'tcp',
      panel: false,
    },
    match: matchChannels(infos, run.state.channels),
    benchLines: [],
    places: [],
    raw: { outputs: {}, installedOn: {} },
    currency,
    keys,
    mayWriteKeys,
    responses: Object.fromEntries(channels.flatMap(({ role, response }) => (response ? [[role, response]] : []))),
    practice: kind,
    me,
  };
}
