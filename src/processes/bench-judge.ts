import { Dec } from '@/core/quantity/decimal';
import type { Procedure } from '@/core/procedure/procedure';
import { results } from '@/core/results/results';
import type { RunEvent } from '@/core/record/event';
import { judgeAtPoint } from '@/core/run/judge-at-point';
import { toleranceAt } from '@/core/record/tolerance';
import { reduce } from '@/core/run/reduce';
import { isStruck, type RunState } from '@/core/record/state';
import { bareJudgement } from './bench-frozen/bare-judgement';
import { inTurn, verdict } from './in-turn';
import { SHELF } from './samples/references';
import { inGas, inWater, SIGNATORY, TECHNICIAN } from './samples/runs';

/** Every reading of two runs with a target, judged again: with its whole budget, and as it was judged before there were budgets. */
async function judging(): Promise<boolean> {
  const works = [inGas('OF-410', SHELF.four), inWater('SM-35')].flatMap(({ state, procedure }) => pairsOf(state, procedure));
  const again = (work: (one: (typeof works)[number]) => unknown) => async () => {
    for (let round = 0; round < 20; round += 1) for (const one of works) work(one);
  };
  const [whole, bare] = await inTurn(
    30,
    again(({ whole }) => whole()),
    again(({ bare }) => bare()),
  );
  const each = (ms: number) => ((1000 * ms) / (20 * works.length)).toFixed(1);
  console.log(
    `judging a reading with its whole budget: ${each(whole!)} µs, the bare judgement of before ${each(bare!)} µs: ${verdict(whole! / bare!, 3)}`,
  );
  return whole! / bare! <= 3;
}

function pairsOf(state: RunState, procedure: Procedure) {
  return state.readings.flatMap((reading) => {
    const { target } = reading;
    if (!target) return [];
    const channel = state.channels.find((one) => one.id === reading.channel)!;
    const point = procedure.points.find((one) => one.id === reading.point)!;
    const context = { point, channel, state, inputs: reading.inputs, procedure };
    const { rule, coverage } = state.started!;
    const tolerance = () =>
      typeof point.tolerance === 'object'
        ? point.tolerance.limit
        : toleranceAt({
            tolerance: channel.tolerance,
            target: new Dec(target.value).toFixed(),
            zero: point.tolerance === 'zero',
          });
    return [
      {
        whole: () => judgeAtPoint(reading.reading, target, context),
        bare: () =>
          bareJudgement({
            reading: reading.reading,
            target,
            tolerance: tolerance(),
            resolution: channel.resolution,
            rule,
            coverage,
          }),
      },
    ];
  });
}

/** A run that was reopened and corrected until it has five hundred events. */
function longRun(): { events: RunEvent[]; state: RunState; procedure: Procedure } {
  const run = inGas('OF-410', SHELF.four);
  run.do({ type: 'approve' }, SIGNATORY).do({ type: 'reopen', reason: 'written down wrong' }, SIGNATORY);
  for (let round = 0; run.events.length < 500; round += 1) {
    const reading = run.state.readings.find((one) => !isStruck(one) && one.phase === 'asLeft' && one.reading.unit === 'ppm')!;
    run.do(
      { type: 'correct', seq: reading.seq, text: String(20 + (round % 9)), reason: 'read again from the paper' },
      TECHNICIAN,
    );
  }
  return run;
}

async function table(): Promise<boolean> {
  const { events, state, procedure } = longRun();
  const again = (work: () => unknown) => async () => {
    for (let round = 0; round < 10; round += 1) work();
  };
  const [ours, once] = await inTurn(
    40,
    again(() => results({ procedure, state })),
    again(() => reduce(state.run, events)),
  );
  console.log(
    `results of a run of ${events.length} events: ${(ours! / 10).toFixed(2)} ms, one reduce ${(once! / 10).toFixed(2)} ms: ${verdict(ours! / once!, 2)}`,
  );
  return ours! / once! <= 2;
}

export const benchJudge = async (): Promise<boolean[]> => [await judging(), await table()];
if (process.argv[1]?.endsWith('bench-judge.ts')) await benchJudge();
