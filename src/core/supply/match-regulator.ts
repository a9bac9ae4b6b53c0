import type { Traits } from '../instrument/traits';
import type { ReferenceSnapshot } from '../record/reference-snapshot';

export interface RegulatorAdvice {
  verdict: 'fits' | 'caution' | 'refused';
  code:
    | 'fits'
    | 'demandFits'
    | 'kitFlow'
    | 'pumpOff'
    | 'fixedOnPump'
    | 'demandWithoutPump'
    | 'otherFitting'
    | 'unusable'
    | 'noRegulator';
  sentence: string;
  /** L/min that reaches the instrument; what its pump draws with a demand regulator. */
  flowLPerMin: string | null;
}

/** What a pump of this kind draws where nothing else is stated (common practice). */
const PUMP_DRAWS = '0.5';
/** The fixed flow that a maker's kit gives to its own pumped monitor (common practice). */
const KIT_FLOW = '0.5';

/**
 * Whether a regulator suits a bottle and an instrument: fixed flow for diffusion, demand flow for a pump; the fitting has to be the bottle's.
 * A fixed flow never matches a pump: too little starves it, too much pushes on the seals, so the pump is switched off first where the model can.
 * Flow in L/min. Errors: none. Source: common practice.
 *
 * @example
 * matchRegulator({ regulator: demand, bottle, traits: { pumped: true } }).code // 'demandFits'
 */
export function matchRegulator({
  regulator,
  bottle,
  traits,
}: {
  regulator: ReferenceSnapshot | null;
  bottle: ReferenceSnapshot | null;
  traits: Traits;
}): RegulatorAdvice {
  if (!regulator)
    return { verdict: 'caution', code: 'noRegulator', sentence: 'Choose the regulator: it sets the flow.', flowLPerMin: null };
  const flow = regulator.detail?.flowLPerMin ?? null;
  const say = (
    verdict: RegulatorAdvice['verdict'],
    code: RegulatorAdvice['code'],
    sentence: string,
    flowLPerMin: string | null = flow,
  ): RegulatorAdvice => ({ verdict, code, sentence, flowLPerMin });
  if (regulator.unusable) return say('refused', 'unusable', `${regulator.name} is ${regulator.unusable}.`);
  if (bottle?.fitting && regulator.detail?.fitting && bottle.fitting !== regulator.detail.fitting)
    return say(
      'refused',
      'otherFitting',
      `${regulator.name} has a ${regulator.detail.fitting} thread, the bottle ${bottle.fitting}.`,
    );
  const pumped = traits.pumped;
  if (regulator.detail?.demand)
    return pumped
      ? say('fits', 'demandFits', 'Demand flow gives what the pump draws.', PUMP_DRAWS)
      : say('refused', 'demandWithoutPump', 'A demand regulator gives nothing to an instrument without a pump.');
  // This maker's kit has a fixed flow for its pump: that is its way, no deviation.
  if (pumped && traits.kitFlow && flow === KIT_FLOW)
    return say('fits', 'kitFlow', `The maker’s own fixed flow of ${flow} L/min.`);
  if (!pumped) return say('fits', 'fits', `Fixed flow of ${flow} L/min at a diffusion instrument.`);
  return traits.pumpSwitchable
    ? say('caution', 'pumpOff', 'Fixed flow on a pumped instrument: switch its pump off first.')
    : say(
        'caution',
        'fixedOnPump',
        'Fixed flow never matches a pump: too little starves it, too much pushes on the seals. Take a demand regulator.',
      );
}
