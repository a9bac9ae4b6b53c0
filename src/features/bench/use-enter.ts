'use client';
import { useEffect, useRef } from 'react';
import type { PlannedStep } from '@/core/run/plan-node';
import type { LiveRun } from './use-run';

/** Where the procedure leaves a choice, a step is entered by taking it in hand: its clock begins then. Looking at a colleague's run enters nothing. */
export function useEnter(run: LiveRun, present: PlannedStep | undefined): void {
  const asked = useRef('');
  const inHand = run.touched || run.state.technician?.id === run.by.id;
  const key = inHand && present?.status === 'todo' && run.state.status === 'open' ? present.key : null;
  useEffect(() => {
    if (!key || run.busy || asked.current === key) return;
    asked.current = key;
    void run.send({ type: 'enterStep', step: key });
  }, [key, run]);
}
