import type { Attempt, AttemptPlace } from './attempt';
import { COSTS, FINDING_CODES, FULL_POINTS, type Finding } from './finding';
import {
  cautionsPassed,
  keysPressed,
  readingsTaken,
  valvesForgotten,
  wrongBottles,
  zeroesBesideGas,
  type Found,
} from './found-at-bench';
import { workAsMaster } from './master';

/** How many times as long as a master somebody may take, by kind: whoever is shown the way takes the time it takes. */
const TIMES_AS_LONG = { guided: Infinity, findFault: 5, busyBench: 3, dangerousDay: Infinity, own: 5 } as const;
/** Gas that may be used more than by a master. */
const TIMES_THE_GAS = 1.5;
const GAS_LEAST_L = 0.1;

export interface Score {
  /** 0 to 100; null where the exercise was left in the middle. */
  points: number | null;
  findings: Finding[];
  /** Seconds and litres, of whoever worked it and of a master. */
  seconds: { own: number; master: number };
  litres: { own: number; master: number };
  /** What a master did, beside which a debrief stands. */
  master: Attempt;
}

/**
 * What an exercise was worth: a hundred points less what each finding costs, and no point is lost without a finding. A master works the same exercise for comparison.
 * Errors: none.
 *
 * @example
 * scoreOf(attempt).findings // [{ code: 'forgottenValve', points: 15, place: 1, done: 17, numbers: { seconds: 40 } }]
 */
export function scoreOf(attempt: Attempt): Score {
  const master = workAsMaster(attempt.exercise, { ...attempt.of, id: `${attempt.of.id}-master` });
  const seconds = { own: secondsOf(attempt), master: secondsOf(master) };
  const litres = { own: litresOf(attempt), master: litresOf(master) };
  const all = attempt.places.flatMap((place, index): Found[] => [
    ...notRead(place, master.places[index]!),
    ...wrongBottles(attempt, place),
    ...readingsTaken(attempt, place),
    ...valvesForgotten(attempt, place),
    ...cautionsPassed(attempt, place),
    ...diagnosed(attempt, place),
    ...keysPressed(attempt, place),
    ...zeroesBesideGas(attempt, place),
  ]);
  const most = TIMES_AS_LONG[attempt.exercise.kind];
  if (seconds.own > seconds.master * most)
    all.push({
      code: 'tooSlow',
      place: 0,
      done: null,
      numbers: { own: Math.round(seconds.own), master: Math.round(seconds.master), times: most },
    });
  if (litres.own > litres.master * TIMES_THE_GAS + GAS_LEAST_L)
    all.push({
      code: 'gasWasted',
      place: 0,
      done: null,
      numbers: { own: litres.own.toFixed(2), master: litres.master.toFixed(2) },
    });
  // Left in the middle it is about what was done, not about what would have come.
  const said = attempt.ended() ? all : all.filter((one) => one.done !== null);
  const findings = FINDING_CODES.flatMap((code) => priced(said.filter((one) => one.code === code)));
  const lost = findings.reduce((sum, one) => sum + one.points, 0);
  return { points: attempt.ended() ? Math.max(0, FULL_POINTS - lost) : null, findings, seconds, litres, master };
}

/** Each costs what one costs, until all of a kind have cost the most they may. */
function priced(those: Found[]): Finding[] {
  let left = those.length ? COSTS[those[0]!.code].most : 0;
  return those.map((one) => {
    const points = Math.min(left, one.points ?? COSTS[one.code].each);
    left -= points;
    return { ...one, points };
  });
}

const secondsOf = (attempt: Attempt): number => (attempt.done.at(-1)?.act.at ?? 0) / 1000;

const litresOf = (attempt: Attempt): number =>
  attempt.places.reduce(
    (sum, { run }) => sum + run.state.stimuli.reduce((litres, one) => litres + Number(one.litres ?? 0), 0),
    0,
  );

/** What a master read and this one did not: as found is lost for good, the rest was left undone. */
function notRead(own: AttemptPlace, master: AttemptPlace): Found[] {
  const key = (one: { phase: string; point: string; channel: string }) => `${one.phase}/${one.point}/${one.channel}`;
  const taken = new Set(own.run.state.readings.map(key));
  const seen = new Set<string>();
  const given = own.run.state;
  return master.run.state.readings.flatMap((one): Found[] => {
    if (taken.has(key(one)) || seen.has(key(one)) || one.phase === 'adjustment') return [];
    seen.add(key(one));
    // What was given up or left out with a reason is asked nothing more.
    if (given.retired[one.channel] || given.ending || given.channels.find(({ id }) => id === one.channel)?.status !== 'fitted')
      return [];
    const channel = given.channels.find(({ id }) => id === one.channel)?.label ?? one.channel;
    const point = own.run.procedure.points.find(({ id }) => id === one.point)?.label ?? one.point;
    return [
      {
        code: one.phase === 'asFound' ? 'asFoundLost' : 'leftUndone',
        place: own.of.place,
        done: null,
        numbers: { channel, point },
      },
    ];
  });
}

/** What was said to be wrong at last, against what is; and what was repaired that was whole. */
function diagnosed(attempt: Attempt, place: AttemptPlace): Found[] {
  const at = place.of.place;
  const needless = attempt.done.flatMap((one, done): Found[] =>
    one.act.place === at && one.act.do === 'mend' && !one.mended
      ? [{ code: 'needlessRepair', place: at, done, numbers: { remedy: one.act.remedy } }]
      : [],
  );
  if (attempt.exercise.kind !== 'findFault' && attempt.exercise.kind !== 'own') return needless;
  const index = attempt.done.findLastIndex((one) => one.act.place === at && one.act.do === 'diagnose');
  const act = attempt.done[index]?.act;
  const said = act?.do === 'diagnose' ? act : null;
  const { hidden } = place.of;
  const right = hidden.length
    ? hidden.some((one) => one.fault === said?.fault && (one.channel === undefined || one.channel === said.channel))
    : said === null || said.fault === 'none';
  if (right) return needless;
  const numbers = { said: said?.fault ?? 'none', was: hidden[0]?.fault ?? 'none' };
  return [...needless, { code: 'wrongDiagnosis', place: at, done: index < 0 ? null : index, numbers }];
}
