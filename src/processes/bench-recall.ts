import { judgeAnew } from '@/core/results/judge-anew';
import { asThought, type Doubt } from '@/core/results/suspicion';
import { judgeAtPoint } from '@/core/run/judge-at-point';
import { resolveTarget } from '@/core/run/resolve-target';
import { isRefusal } from '@/core/words/refusal';
import { inTurn, verdict } from './in-turn';
import { SHELF } from './samples/references';
import { inGas } from './samples/runs';

/** Results of one recall. */
const RESULTS = 10_000;

/** A recall of ten thousand results, each judged anew as the job does it, beside a bare loop that does nothing but judge these very readings with the other value. */
export async function benchRecall(): Promise<boolean> {
  const { state, procedure } = inGas('OF-410', SHELF.four);
  const bottle = state.bindings.find((one) => one.reference.id === SHELF.four.id)!.reference;
  const doubts = bottle.components.map(({ substance, value }): Doubt => ({
    substance,
    kind: 'value',
    value: String(Number(value) * 0.9),
  }));
  const suspicion = { reference: bottle.id, doubts };
  const { results } = judgeAnew(procedure, state, suspicion);
  const runs = Math.ceil(RESULTS / results.length);
  const thought = {
    ...state,
    bindings: state.bindings.map((one) => ({
      ...one,
      released: false,
      reference: one.reference.id === bottle.id ? asThought(one.reference, doubts) : one.reference,
    })),
  };
  const readings = results.map((one) => {
    const phase = one.side === 'found' ? 'asFound' : 'asLeft';
    const reading = state.readings.findLast(
      (each) => each.channel === one.channel && each.point === one.point && each.phase === phase,
    )!;
    const channel = state.channels.find((each) => each.id === one.channel)!;
    const point = procedure.points.find((each) => each.id === one.point)!;
    return { reading, context: { channel, point, state: thought, inputs: reading.inputs, procedure } };
  });
  const share = 20;
  const [anew, bare] = await inTurn(
    15,
    async () => {
      for (let run = 0; run < runs / share; run += 1) judgeAnew(procedure, state, suspicion);
    },
    async () => {
      for (let run = 0; run < runs / share; run += 1)
        for (const { reading, context } of readings) {
          const target = resolveTarget(context);
          if (!isRefusal(target)) judgeAtPoint(reading.reading, target, context);
        }
    },
  );
  console.log(
    `a recall of ${RESULTS} results judged anew: ${((anew! * share) / 1000).toFixed(2)} s, the same readings in a bare loop ${((bare! * share) / 1000).toFixed(2)} s: ${verdict(anew! / bare!, 2)}`,
  );
  return anew! / bare! <= 2;
}
if (process.argv[1]?.endsWith('bench-recall.ts')) await benchRecall();
