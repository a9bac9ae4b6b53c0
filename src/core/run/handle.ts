import type { Procedure } from '../procedure/procedure';
import type { Command, CommandType } from './command';
import type { EventDraft } from '../record/event';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import { afterDrafts } from './after-drafts';
import { currentSteps } from './plan';
import type { PlannedStep } from './plan-node';
import type { RunState } from '../record/state';
import { HANDLERS } from './handlers';
import type { Drafter, HandleContext, Handling } from './handling';

export type { HandleContext } from './handling';
export { toEvents } from './after-drafts';

const NEEDED_STATUS: Partial<Record<CommandType, RunState['status'][]>> = {
  start: ['notStarted'],
  sendBack: ['finished'],
  approve: ['finished'],
  reopen: ['approved'],
  note: ['open', 'finished'],
  abort: ['open', 'finished'],
};
const APPROVERS = ['signatory', 'administrator'];
const BENCH = ['technician', 'signatory', 'administrator'];

/**
 * What a command amounts to, or why it can't be done. The only place that guards; pure: the same arguments give the same answer.
 * The next step is entered by itself where the procedure leaves no choice.
 */
export function handle({
  procedure,
  state,
  command,
  context,
}: {
  procedure: Procedure;
  state: RunState;
  command: Command;
  context: HandleContext;
}): EventDraft[] | Refusal {
  const needed = NEEDED_STATUS[command.type] ?? ['open'];
  if (!needed.includes(state.status)) return refuse('wrongStatus', STATUS_SENTENCE[state.status]);
  const roles = ['approve', 'sendBack', 'reopen'].includes(command.type) ? APPROVERS : BENCH;
  if (!roles.includes(context.actor.role)) return refuse('notAllowed', `A ${context.actor.role} can't do this.`);
  if (state.started && (state.started.procedure.id !== procedure.id || state.started.procedure.version !== procedure.version)) {
    return refuse(
      'otherProcedure',
      `This run was started with ${state.started.procedure.id} version ${state.started.procedure.version}.`,
    );
  }
  const occurredAt = context.origin?.occurredAt ?? context.now;
  const draft: Drafter = (type, data, where) =>
    ({ type, data, occurredAt, source: context.origin?.source ?? 'typed', ...where }) as EventDraft;
  const handler = HANDLERS[command.type] as (command: Command, handling: Handling) => EventDraft[] | Refusal;
  const drafts = handler(command, { procedure, state, context, draft });
  return isRefusal(drafts) ? drafts : withNextStep(procedure, state, drafts, context, draft);
}

/** Commands that the run's status and place allow now, for keys and buttons. `handle` has the last word. */
export function allowed({ procedure, state }: { procedure: Procedure; state: RunState }): CommandType[] {
  if (state.status === 'notStarted') return ['start'];
  if (state.status === 'finished') return ['approve', 'sendBack', 'note', 'abort'];
  if (state.status === 'approved') return ['reopen'];
  if (state.status !== 'open') return [];
  const steps = currentSteps(procedure, state);
  const byKind: Record<string, CommandType[]> = {
    check: ['completeStep'],
    condition: ['completeStep'],
    wait: ['completeStep'],
    reference: ['bindReference'],
    stimulus: ['changeStimulus'],
    read: ['captureReading', 'captureReadings'],
    adjust: ['adjust'],
    save: ['save'],
    bump: ['bump'],
    care: ['care'],
    decide: ['decide'],
  };
  const here = steps.flatMap((step) => byKind[step.step.kind] ?? []);
  return [
    ...new Set<CommandType>([
      ...here,
      ...(steps.length ? (['skipStep'] as const) : (['finish'] as const)),
      'bindReference',
      'replacePart',
      'changeSetting',
      'setChannel',
      'strike',
      'correct',
      'note',
      'abort',
    ]),
  ];
}

const STATUS_SENTENCE: Record<RunState['status'], string> = {
  notStarted: 'This run has not been started.',
  open: 'This run is still being worked on.',
  finished: 'This run is finished and waits for approval.',
  approved: 'This run is approved; it can no longer change.',
  aborted: 'This run was given up.',
};

/** The step that follows where the procedure leaves no choice: the only one there is, or the only one on the sheet that was just worked on. */
function onlyNext(current: readonly PlannedStep[], done: string): PlannedStep | undefined {
  if (current.length < 2) return current[0];
  const segments = done.split('/');
  const shared = (step: PlannedStep) => {
    const own = step.key.split('/');
    const end = own.findIndex((segment, index) => segment !== segments[index]);
    return end < 0 ? own.length : end;
  };
  const most = Math.max(...current.map(shared));
  const nearest = current.filter((step) => shared(step) === most);
  return most > 1 && nearest.length === 1 ? nearest[0] : undefined;
}

function withNextStep(
  procedure: Procedure,
  state: RunState,
  drafts: EventDraft[],
  context: HandleContext,
  draft: Drafter,
): EventDraft[] {
  if (!drafts.some((event) => event.type === 'stepDone' || event.type === 'stepSkipped' || event.type === 'started'))
    return drafts;
  const after = afterDrafts(state, drafts, context);
  const done = drafts.find((event) => event.type === 'stepDone' || event.type === 'stepSkipped')?.step ?? '';
  const next = onlyNext(currentSteps(procedure, after), done);
  if (!next || next.status !== 'todo') return drafts;
  return [...drafts, draft('stepEntered', {}, { step: next.key, iteration: next.iteration })];
}
