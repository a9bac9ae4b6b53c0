import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { PROCEDURES } from '@/procedures';
import { contentHash } from '../certificate/canonical';
import type { Procedure } from '../procedure/procedure';
import { EVENT_VERSION } from '../record/event';
import { lift } from './lift';
import { plan } from './plan';
import { reduce } from './reduce';
import { summarise } from '../results/summary';

const FOLDER = join(__dirname, 'corpus');
interface FrozenSide {
  text: string;
  error: string | null;
  state: string;
}
interface Frozen {
  name: string;
  procedure: Procedure;
  events: Record<string, unknown>[];
  summary: {
    status: string;
    asFound: string;
    asLeft: string;
    adjusted: boolean;
    results: { channel: string; point: string; asFound: FrozenSide | null; asLeft: FrozenSide | null }[];
  };
  steps: number;
}

/** Where today's table says something else than the joins of then, and why: docs/decisions/016. */
const DIFFERS: Record<string, Partial<Frozen['summary']>> = {
  // A point that was only watched as found has no as-left, and none is missing.
  'family-21-detector-pairs.json': { asLeft: 'within' },
};

/** Runs as they were recorded once, with what they amounted to then. They are never changed: a new format lifts them. */
describe('frozen corpus of runs', () => {
  const files = readdirSync(FOLDER).filter((file) => file.endsWith('.json'));
  it('holds all five families that the format was frozen with', () => {
    expect(
      new Set(files.map((file) => (JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Frozen).procedure.family)),
    ).toEqual(new Set([3, 4, 15, 18, 21]));
  });
  it.each(files)('%s replays to what it was', (file) => {
    const frozen = JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Frozen;
    const state = reduce(
      String(frozen.events[0]!.run),
      frozen.events.map((event) => lift(event)),
    );
    const { lines, ...overall } = summarise(frozen.procedure, state);
    const { results, ...before } = frozen.summary;
    expect(overall).toEqual({ ...before, ...DIFFERS[file] });
    expect(plan(frozen.procedure, state)).toHaveLength(frozen.steps);
    for (const then of results) {
      const now = lines.find((line) => line.channel === then.channel && line.point === then.point)!;
      const side = (judged: typeof now.found) =>
        judged && { text: judged.reading.text, error: judged.deviation, state: judged.verdict };
      // What never counted was left out of the old table; today it stands there as not judged.
      // Set aside with its reference, or only watched: nothing is printed of what it was compared with.
      if (now.found?.verdict === 'notJudged' || now.left?.verdict === 'notJudged') {
        expect(['notMeasured', 'within']).toContain(then.asLeft?.state ?? then.asFound?.state ?? 'notMeasured');
        continue;
      }
      if (then.asFound) expect(side(now.found)).toEqual(then.asFound);
      else expect(now.found?.verdict ?? 'notJudged').toBe('notJudged');
      if (then.asLeft)
        expect(side(now.left)).toEqual({ text: then.asLeft.text, error: then.asLeft.error, state: then.asLeft.state });
    }
  });
  it.each(files)('%s survives its events in any order without an error', (file) => {
    const frozen = JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Frozen;
    const events = frozen.events.map((event) => lift(event));
    expect(() => reduce('r', [...events].reverse())).not.toThrow();
    expect(() =>
      reduce(
        'r',
        events.filter((_event, index) => index % 3 !== 0),
      ),
    ).not.toThrow();
  });
  it('a procedure that the corpus was frozen with has not been changed under the same version', () => {
    for (const file of files) {
      const frozen = JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Frozen;
      const shipped = PROCEDURES.find(
        (procedure) => procedure.id === frozen.procedure.id && procedure.version === frozen.procedure.version,
      );
      if (shipped) expect(contentHash(shipped)).toBe(contentHash(frozen.procedure));
    }
  });
});

describe('lifting', () => {
  it('takes an old event up step by step', () => {
    const lifters = {
      1: (event: Record<string, unknown>) => ({ ...event, data: { text: 'a' } }),
      2: (event: Record<string, unknown>) => ({ ...event, data: { ...(event.data as object), more: 'b' } }),
    };
    expect(lift({ version: 1, type: 'noted', data: {} }, lifters, 3)).toMatchObject({
      version: 3,
      data: { text: 'a', more: 'b' },
    });
  });
  it('refuses an event from the future, and one without a way up', () => {
    expect(() => lift({ version: EVENT_VERSION + 1 })).toThrow(/version/);
    expect(() => lift({ version: 1 }, {}, 2)).toThrow(/no way up/);
  });
  it('refuses what its type does not allow, naming the part', () => {
    const event = (type: string, data: unknown) => () => lift({ version: EVENT_VERSION, type, data });
    expect(event('noted', { text: 'pump is loud' })).not.toThrow();
    expect(event('polished', {})).toThrow(/type must be one of an event/);
    expect(event('toString', {})).toThrow(/type must be one of an event/);
    expect(event('noted', null)).toThrow(/must be an object/);
    expect(event('noted', {})).toThrow('noted.text must be a text');
    expect(event('saved', { evidence: 'confirm', outcome: 'maybe' })).toThrow(
      'saved.outcome must be one of saved, lost, got maybe',
    );
    expect(event('struck', { seq: NaN, reason: 'x' })).toThrow('struck.seq must be a number');
  });
});
