import { startSimulation, type SimulationInput, type SimulationResult } from '@/core/uncertainty/simulate';
import { simulationModel, type ModelName } from '@/core/uncertainty/simulation-model';

/** What a page may ask: a run, or to stop the one under way. */
export type SimulationRequest =
  | { type: 'run'; inputs: SimulationInput[]; model: ModelName; draws: number; seed: number; coverage: number }
  | { type: 'cancel' };
export type SimulationAnswer =
  | { type: 'progress'; done: number; draws: number }
  | { type: 'result'; result: SimulationResult }
  | { type: 'refused'; message: string }
  | { type: 'cancelled'; done: number };

const scope = self as unknown as {
  onmessage: (event: MessageEvent<SimulationRequest>) => void;
  postMessage: (answer: SimulationAnswer) => void;
};
/** Draws between two looks at the post. */
const STEP = 25_000;
/** Progress is told a few times a second: more would keep the page busy with drawing it. */
const TELL_EVERY_MS = 250;
let present = 0;

/** A thin shell around core: draws in steps, reports progress, stops when told. */
scope.onmessage = ({ data }) => {
  present += 1;
  if (data.type === 'run') void run(data, present);
};

async function run(
  { inputs, model, draws, seed, coverage }: Extract<SimulationRequest, { type: 'run' }>,
  turn: number,
): Promise<void> {
  try {
    const simulation = startSimulation({ inputs, model: simulationModel(model), draws, seed, coverage });
    let told = performance.now();
    while (simulation.done() < draws) {
      const done = simulation.step(STEP);
      if (performance.now() - told >= TELL_EVERY_MS) {
        told = performance.now();
        scope.postMessage({ type: 'progress', done, draws });
      }
      await new Promise((resolve) => setTimeout(resolve, 0));
      if (turn !== present) return scope.postMessage({ type: 'cancelled', done: simulation.done() });
    }
    scope.postMessage({ type: 'result', result: simulation.result() });
  } catch (error) {
    scope.postMessage({ type: 'refused', message: (error as Error).message });
  }
}
