import { Dec } from '../quantity/decimal';
import { refuse } from '../words/refusal';
import { say } from '../words/say';
import { gas } from './gas';
import type { Measurand, TargetContext } from './measurand';
import { certifiedText, from, materialOf, plainTarget } from './plain-target';

/** Names of the gases that a combustible scale is spanned with. */
const GAS: Record<string, string> = { CH4: 'methane', C5H12: 'pentane', C3H8: 'propane', H2: 'hydrogen' };
export const gasName = (substance: string | undefined): string => (substance ? (GAS[substance] ?? substance) : 'the gas');

/** A certified %vol on the channel's own scale: its gas's LEL and the relative response of the scale. */
function onScale(context: TargetContext) {
  const { point, channel, inputs } = context;
  if (point.target.kind !== 'material' || channel.unit !== '%LEL') return plainTarget(context);
  const found = materialOf(context);
  if ('refused' in found) return found;
  const { binding, component } = found;
  if (component.unit !== '%vol') return plainTarget(context);
  const { scale } = channel;
  if (!scale) return refuse('noScale', say({ code: 'refused.noScale', numbers: { channel: channel.label } }));
  const factor = new Dec(100).div(scale.lelVolPercent).times(scale.relativeResponse);
  const value = factor.times(component.value);
  return from(binding, {
    value: value.toSignificantDigits(6).toFixed(),
    unit: '%LEL',
    expanded: factor.times(component.expanded).toSignificantDigits(6).toFixed(),
    k: component.k,
    inputs: { ...inputs, certified: component.value, ...scale },
    sentence: say({
      code: 'target.onScale',
      numbers: {
        certified: certifiedText(component),
        value: value.toSignificantDigits(4).toFixed(),
        scale: say(scaleFact(channel)),
      },
    }),
  });
}

/** 100 %LEL of which gas, and how much more the scale responds: the pentane scale is spanned with methane. */
export const scaleFact = ({ scale, calibrationGas }: TargetContext['channel']) =>
  ({
    code: 'target.scale',
    numbers: {
      lel: scale!.lelVolPercent,
      gas: gasName(calibrationGas),
      source: scale!.source,
      response: scale!.relativeResponse,
    },
  }) as const;

const combustible = (scale: 'describe.scale' | 'describe.otherScale', named: string): Measurand =>
  gas({
    fades: 0.5,
    clean: [2, 'ppm'],
    sensor: { usualT90Seconds: 20, poisons: true },
    target: onScale,
    describe: (channel) =>
      channel.scale
        ? [
            {
              code: gasName(channel.calibrationGas) === named ? 'describe.scale' : scale,
              numbers: {
                named,
                gas: gasName(channel.calibrationGas),
                lel: channel.scale.lelVolPercent,
                source: channel.scale.source,
                response: channel.scale.relativeResponse,
                shown: new Dec(100)
                  .div(channel.scale.lelVolPercent)
                  .times(channel.scale.relativeResponse)
                  .toSignificantDigits(4)
                  .toFixed(),
              },
            },
          ]
        : [],
  });

export const COMBUSTIBLES = {
  methane: combustible('describe.otherScale', 'methane'),
  pentane: combustible('describe.otherScale', 'pentane'),
  propane: combustible('describe.otherScale', 'propane'),
};
