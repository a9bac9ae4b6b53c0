import type { TargetUsed } from '../record/event';
import { refuse, type Refusal } from '../words/refusal';
import type { MaterialComponent } from '../record/reference-snapshot';
import { boundReference, type Binding, type RunState } from '../record/state';
import { say } from '../words/say';
import type { TargetContext } from './measurand';

/** What an untouched target carries. */
export const plain = (inputs: Record<string, string>) => ({ expanded: null, k: 2, inputs, binding: null });

/** What is refused where a target can't be worked out: code and figures, the sentence from the catalogue. */
export function noTarget(
  code: 'noReference' | 'noComparison' | 'missingComponent' | 'wrongUnit' | 'noTarget',
  numbers: Record<string, string>,
  field?: string,
): Refusal {
  return refuse(code, say({ code: `refused.${code}`, numbers }), { ...(field ? { field } : {}), numbers });
}

/** The reference that stands in the slot of a target, or what has to be chosen first. */
export function inSlot({ state, procedure }: TargetContext, slot: string): Binding | Refusal {
  return (
    boundReference(state, slot) ??
    noTarget('noReference', { slot: procedure.slots.find((one) => one.id === slot)?.label ?? slot })
  );
}

/** Component of the material in a slot that a point wants. */
export function materialOf(context: TargetContext): { binding: Binding; component: MaterialComponent } | Refusal {
  const { point, channel } = context;
  if (point.target.kind !== 'material') return noTarget('noTarget', { point: point.label });
  const substance = point.target.component === 'channelGas' ? channel.calibrationGas : point.target.component;
  const binding = oneOf(context, point.target, substance) ?? inSlot(context, point.target.slot);
  if ('refused' in binding) return binding;
  const component = binding.reference.components.find((candidate) => candidate.substance === substance);
  return component
    ? { binding, component }
    : noTarget(
        'missingComponent',
        { name: binding.reference.name, lot: binding.reference.lot, substance: substance ?? '', channel: channel.label },
        'reference',
      );
}

/** Of several bottles the one that was named by its lot, else the first that brings the gas. */
function oneOf(
  { state, inputs }: TargetContext,
  { slot, others }: { slot: string; others?: string[] },
  substance: string | undefined,
): Binding | undefined {
  if (!others) return undefined;
  const bound = [slot, ...others].flatMap((id) => boundReference(state, id) ?? []);
  return (
    bound.find((one) => one.reference.lot === inputs.lot) ??
    bound.find((one) => one.reference.components.some((component) => component.substance === substance))
  );
}

/** A scrubber or zero tube is in line at this moment. */
function behindFilter(state: RunState): boolean {
  return state.stimuli.some((span) => {
    const role = state.bindings.find((one) => one.seq === span.binding)?.reference.role;
    return span.offAt === null && (role === 'scrubber' || role === 'zeroTube');
  });
}

export const certifiedText = (component: MaterialComponent): string =>
  `${component.substance} ${component.value} ${component.unit} ± ${component.expanded} (k = ${component.k})`;

/** A target from a material, with the bottle named before what it states. */
export const from = (binding: Binding, used: Omit<TargetUsed, 'binding'>): TargetUsed => ({
  ...used,
  binding: binding.seq,
  sentence: say({
    code: 'target.material',
    numbers: { name: binding.reference.name, lot: binding.reference.lot, what: used.sentence },
  }),
});

/** Targets that every measurand may have: a fixed value, something only watched, a second instrument beside it, the certified value as it stands on the bottle. */
export function plainTarget(context: TargetContext): TargetUsed | null | Refusal {
  const { point, channel, state, inputs } = context;
  const { target } = point;
  switch (target.kind) {
    case 'observe':
      return null;
    case 'fixed':
      return {
        ...plain(inputs),
        value: target.value,
        unit: channel.unit,
        air: behindFilter(state) ? 'filtered' : 'clean',
        sentence: say({ code: 'target.fixed', numbers: { point: point.label, value: target.value, unit: channel.unit } }),
      };
    case 'comparison': {
      const binding = inSlot(context, target.slot);
      if ('refused' in binding) return binding;
      if (!/^[+-]?\d+(\.\d+)?$/.test(inputs.comparison?.trim() ?? '')) return noTarget('noComparison', {}, 'comparison');
      const component = binding.reference.components[0];
      return {
        value: inputs.comparison!,
        unit: channel.unit,
        expanded: component?.expanded ?? null,
        k: component?.k ?? 2,
        inputs,
        binding: binding.seq,
        sentence: say({
          code: 'target.comparison',
          numbers: { name: binding.reference.name, value: inputs.comparison!, unit: channel.unit },
        }),
      };
    }
    case 'material': {
      const found = materialOf(context);
      if ('refused' in found) return found;
      const { binding, component } = found;
      if (component.unit !== channel.unit) return wrongUnit(component, context);
      return from(binding, {
        value: component.value,
        unit: component.unit,
        expanded: component.expanded,
        k: component.k,
        inputs,
        sentence: certifiedText(component),
      });
    }
    default:
      return noTarget('noTarget', { point: point.label });
  }
}

export const wrongUnit = (component: MaterialComponent, { channel }: TargetContext): Refusal =>
  noTarget('wrongUnit', {
    substance: component.substance,
    unit: component.unit,
    channel: channel.label,
    shown: channel.unit,
  });
