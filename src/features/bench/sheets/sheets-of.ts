import type { Procedure, Step } from '@/core/procedure/procedure';
import type { PlannedStep } from '@/core/run/plan-node';

export interface SheetOfRun {
  id: string;
  name: string;
  keys: string[];
  done: number;
  total: number;
}

/** The sheets of a combined instrument with their steps; none for an instrument with a single one. */
export function sheetsOf(procedure: Procedure, steps: readonly PlannedStep[]): SheetOfRun[] {
  return groups(procedure.steps, '').flatMap(({ key, name }) => {
    const own = steps.filter((step) => step.key.startsWith(`${key}/`));
    return own.length
      ? [
          {
            id: key,
            name,
            keys: own.map((step) => step.key),
            done: own.filter((step) => step.status === 'done' || step.status === 'skipped').length,
            total: own.length,
          },
        ]
      : [];
  });
}

function groups(steps: Step[], prefix: string): { key: string; name: string }[] {
  return steps.flatMap((step) =>
    step.kind !== 'group'
      ? []
      : step.sheet
        ? [{ key: prefix + step.id, name: step.sheet }]
        : groups(step.steps, `${prefix}${step.id}/`),
  );
}

/** The step in hand: of the chosen sheet where several may be worked on, else the first. */
export function stepInHand(
  current: readonly PlannedStep[],
  sheets: SheetOfRun[],
  chosen: string | null,
): PlannedStep | undefined {
  const sheet = sheets.find((one) => one.id === chosen);
  return (sheet && current.find((step) => sheet.keys.includes(step.key))) ?? current[0];
}

/** Points that the steps of one sheet read or adjust. */
export function pointsOfSheet(steps: Step[], sheet: string, prefix = ''): Set<string> {
  const out = new Set<string>();
  for (const step of steps) {
    if (step.kind !== 'group') {
      if ((step.kind === 'read' || step.kind === 'adjust') && prefix.startsWith(`${sheet}/`))
        step.points.forEach((one) => out.add(one));
      continue;
    }
    pointsOfSheet(step.steps, sheet, `${prefix}${step.id}/`).forEach((one) => out.add(one));
  }
  return out;
}
