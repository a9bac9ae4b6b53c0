'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SimulationResult } from '@/core/uncertainty/simulate';
import type { SimulationAnswer, SimulationRequest } from '@/workers/simulate.worker';

export type SimulationState =
  | { phase: 'idle' }
  | { phase: 'running'; done: number; draws: number }
  | { phase: 'done'; result: SimulationResult }
  | { phase: 'refused'; message: string }
  | { phase: 'cancelled'; done: number };

/** The simulation in a worker of its own: the page stays quick, whatever the number of draws. */
export function useSimulation(): {
  state: SimulationState;
  run: (request: Extract<SimulationRequest, { type: 'run' }>) => void;
  cancel: () => void;
} {
  const [state, setState] = useState<SimulationState>({ phase: 'idle' });
  const worker = useRef<Worker | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);
  const run = useCallback((request: Extract<SimulationRequest, { type: 'run' }>) => {
    worker.current ??= new Worker(new URL('../../workers/simulate.worker.ts', import.meta.url));
    worker.current.onmessage = ({ data }: MessageEvent<SimulationAnswer>) => {
      if (data.type === 'progress') setState({ phase: 'running', done: data.done, draws: data.draws });
      if (data.type === 'result') setState({ phase: 'done', result: data.result });
      if (data.type === 'refused') setState({ phase: 'refused', message: data.message });
      if (data.type === 'cancelled') setState({ phase: 'cancelled', done: data.done });
    };
    worker.current.onerror = () => setState({ phase: 'refused', message: 'The background worker could not be started.' });
    setState({ phase: 'running', done: 0, draws: request.draws });
    worker.current.postMessage(request);
  }, []);
  const cancel = useCallback(() => worker.current?.postMessage({ type: 'cancel' } satisfies SimulationRequest), []);
  return { state, run, cancel };
}
