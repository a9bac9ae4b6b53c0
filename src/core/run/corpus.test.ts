import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { PROCEDURES } from '@/procedures';
import { contentHash } from '../certificate/canonical';
import type { Procedure } from '../procedure/procedure';
import { EVENT_VERSION } from './event';
import { lift } from './lift';
import { plan } from './plan';
import { reduce } from './reduce';
import { summarise } from '../results/summary';

const FOLDER = join(__dirname, 'corpus');
interface Frozen {
  name: string;
  procedure: Procedure;
  events: Record<string, unknown>[];
  summary: unknown;
  steps: number;
  stateHash: string;
}

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
    expect(summarise(frozen.procedure, state)).toEqual(frozen.summary);
    expect(plan(frozen.procedure, state)).toHaveLength(frozen.steps);
    expect(contentHash(JSON.parse(JSON.stringify(state)))).toBe(frozen.stateHash);
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
      1: (event: Record<string, unknown>) => ({ ...event, data: { value: 'a' } }),
      2: (event: Record<string, unknown>) => ({ ...event, data: { ...(event.data as object), more: 'b' } }),
    };
    expect(lift({ version: 1, type: 'noted', data: {} }, lifters, 3)).toMatchObject({
      version: 3,
      data: { value: 'a', more: 'b' },
    });
  });
  it('refuses an event from the future, and one without a way up', () => {
    expect(() => lift({ version: EVENT_VERSION + 1 })).toThrow(/version/);
    expect(() => lift({ version: 1 }, {}, 2)).toThrow(/no way up/);
  });
});
