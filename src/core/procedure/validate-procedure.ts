import { faultsOfPieces } from './faults-of-pieces';
import type { Follow } from './follow';
import type { CheckItem, Procedure, Step } from './procedure';

/**
 * Checks a procedure on its way in: every name it uses is defined, ids are unique, repeats end.
 * Returns the faults as sentences, none for a sound procedure.
 *
 * @example
 * validateProcedure(family4) // []
 */
export function validateProcedure(procedure: Procedure): string[] {
  const faults: string[] = [];
  const roles = new Set(procedure.channels.map((channel) => channel.role));
  const slots = new Set(procedure.slots.map((slot) => slot.id));
  const points = new Set(procedure.points.map((point) => point.id));
  const need = (known: Set<string>, names: string[], what: string, where: string) =>
    names
      .filter((name) => !known.has(name))
      .forEach((name) => faults.push(`${where} uses the ${what} “${name}”, which is not defined`));

  unique(
    procedure.points.map((point) => point.id),
    'point',
    faults,
  );
  unique(
    procedure.slots.map((slot) => slot.id),
    'slot',
    faults,
  );
  unique(
    procedure.channels.map((channel) => channel.role),
    'channel',
    faults,
  );
  for (const point of procedure.points) {
    need(roles, point.channels, 'channel', `point ${point.id}`);
    if ('slot' in point.target && point.target.slot)
      need(
        slots,
        [point.target.slot, ...('others' in point.target ? (point.target.others ?? []) : [])],
        'slot',
        `point ${point.id}`,
      );
  }

  faults.push(...faultsOfPieces(procedure));

  const visit = (steps: Step[], where: string) => {
    unique(
      steps.map((step) => step.id),
      `step in ${where}`,
      faults,
    );
    for (const step of steps) {
      if (!/^[a-z0-9-]+$/.test(step.id)) faults.push(`step id “${step.id}” must be lower case letters, digits and dashes`);
      if (step.kind === 'read' || step.kind === 'adjust') need(points, step.points, 'point', `step ${step.id}`);
      if (step.kind === 'reference') need(slots, step.slots, 'slot', `step ${step.id}`);
      if (step.kind === 'stimulus') need(slots, [step.slot], 'slot', `step ${step.id}`);
      if (step.kind === 'bump') {
        need(roles, step.channels, 'channel', `step ${step.id}`);
        faults.push(...faultsOfFollows(step.follows, `bump ${step.id}`));
      }
      if (step.kind === 'check') step.items.forEach((item) => faults.push(...faultsOfItem(item, step.id)));
      if (step.kind === 'decide' && step.options.length < 2) faults.push(`decision ${step.id} leaves no choice`);
      if (step.kind === 'wait' && step.maxSeconds !== undefined && step.maxSeconds < step.minSeconds)
        faults.push(`step ${step.id} must end before it may`);
      if (step.kind === 'group') {
        if (step.repeat && !(step.repeat.atMost >= 1 && step.repeat.atMost <= 50))
          faults.push(`group ${step.id} must repeat 1 to 50 times`);
        if (step.restartOn && !step.repeat) faults.push(`group ${step.id} restarts without a number of rounds that ends it`);
        visit(step.steps, step.id);
      }
    }
  };
  visit(procedure.steps, 'the procedure');
  if (procedure.steps.length === 0) faults.push('a procedure needs at least one step');
  return faults;
}

/** Every answer that can be bad names what follows, and something of it ends the matter. */
function faultsOfItem({ id, answer, bad }: CheckItem, step: string): string[] {
  const where = `answer ${step}/${id}`;
  if (bad === undefined)
    return answer === 'passFault' || answer === 'yesNo' ? [`${where} does not say what follows a bad one`] : [];
  if (bad === 'none') return answer === 'passFault' ? [`${where} is pass or fault: a fault leads somewhere`] : [];
  return faultsOfFollows(bad.follows, where);
}

function faultsOfFollows(follows: Follow[] | undefined, where: string): string[] {
  if (!follows) return [`${where} does not say what follows a bad one`];
  return follows.some((one) => one !== 'mend') ? [] : [`${where} leads nowhere but to another look`];
}

function unique(ids: string[], what: string, faults: string[]): void {
  ids.filter((id, index) => ids.indexOf(id) !== index).forEach((id) => faults.push(`${what} “${id}” is defined twice`));
}
