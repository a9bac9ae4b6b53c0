import { flatSteps, type FlatStep } from '../procedure/flat-steps';
import type { CheckItem, Point, Procedure } from '../procedure/procedure';
import type { Output } from '../instrument/output';
import { OUTPUTS } from '../instrument/output';
import type { RunChannel } from '../record/event';
import type { Language } from '../words/say';
import type { BlankWord } from '../words/en/blank-sheet';
import { say } from '../words/say';
import { knownBeforehand, type Beforehand } from './known-beforehand';
import '@/core/words/en/blank-sheet';

/** Something to write on: a figure with its unit, or boxes of which one is ticked. */
export interface Blank {
  label: string;
  unit?: string;
  boxes?: string[];
}
export interface SheetStep {
  /** Titles of what it belongs to: a sheet of a combined instrument, a round. */
  under: string[];
  title: string;
  /** Why, and how long. */
  note?: string;
  caution?: string;
  /** Only seen on the day whether it is done at all. */
  maybe: boolean;
  blanks: Blank[];
}
export type SheetChannel = Pick<RunChannel, 'role' | 'label' | 'unit'>;
interface Given extends Omit<Beforehand, 'roles'> {
  procedure: Procedure;
  channels: readonly SheetChannel[];
  language?: Language;
}

/**
 * The sheet of a procedure to print for one model: every step that may come, in order, with what is written at it. It holds no figure and no verdict;
 * those are worked out when it is entered.
 *
 * @example
 * blankSheet({ procedure, channels, traits: {}, schools: {}, service: 'calibrate' })[0].title // 'Temperature, pressure and humidity'
 */
export function blankSheet(given: Given): SheetStep[] {
  const { procedure, channels, language = 'en' } = given;
  const known: Beforehand = { ...given, roles: channels.map((one) => one.role) };
  return flatSteps(procedure.steps).flatMap((flat) => {
    const needs = [...flat.groups, flat.step].map((one) => (one.when ? knownBeforehand(one.when, known) : true));
    if (needs.includes(false)) return [];
    const { step, groups } = flat;
    const blanks = blanksOf(flat, given, language);
    // A reading of a channel that this model has not.
    if ((step.kind === 'read' || step.kind === 'bump') && blanks.length === 0) return [];
    const told = say({ code: 'blank.atLeast', numbers: { minutes: step.kind === 'wait' ? Math.ceil(step.minSeconds / 60) : 0 } });
    const note = [step.kind === 'wait' && step.minSeconds > 0 ? told : '', step.reason ?? ''].filter(Boolean).join(' ');
    return [
      {
        under: groups.map((one) =>
          one.repeat && one.repeat.atMost > 1
            ? say({ code: 'blank.repeat', numbers: { title: one.title, times: one.repeat.atMost } }, language)
            : one.title,
        ),
        title: step.title,
        ...(note ? { note } : {}),
        ...(step.caution ? { caution: step.caution } : {}),
        maybe: needs.includes(null),
        blanks,
      },
    ];
  });
}

function blanksOf({ step, groups }: FlatStep, { procedure, channels, traits }: Given, language: Language): Blank[] {
  const word = (name: BlankWord) => say({ code: `blank.${name}` }, language);
  const clock = (label: string): Blank => ({ label });
  const outcome = [word('passed'), word('failed')];
  const perChannel = groups.some((one) => one.forEach === 'channel');
  switch (step.kind) {
    case 'check':
      return step.items
        .filter((item) => !item.output || fitted(traits.outputs, item.output))
        .map((item) => ({ label: item.label, ...asked(item, word) }));
    case 'condition':
      return step.quantities.map((quantity) => ({ label: word(quantity), unit: word(`${quantity}Unit`) }));
    case 'reference':
      return step.slots.flatMap((id) => {
        const slot = procedure.slots.find((one) => one.id === id);
        const lot = { label: say({ code: 'blank.lotOf', numbers: { what: slot?.label ?? id } }, language) };
        return slot?.kind === 'gas' ? [lot, { label: word('flow'), unit: 'L/min' }] : [lot];
      });
    case 'wait':
      return [clock(word('from')), clock(word('to'))];
    case 'stimulus':
      return [clock(word(step.on ? 'onAt' : 'offAt'))];
    case 'read':
      return [
        ...step.points.flatMap((id) => {
          const point = procedure.points.find((one) => one.id === id);
          return point ? readings(point, channels, step.points.length > 1) : [];
        }),
      ];
    case 'adjust':
      return perChannel
        ? channels.map((one) => ({ label: one.label, boxes: outcome }))
        : [{ label: word('instrumentSaid'), boxes: outcome }];
    case 'save':
      return [{ label: word('saved'), boxes: [word('yes'), word('no')] }, { label: word('readBack') }];
    case 'bump':
      return [
        ...channels
          .filter((one) => step.channels.includes(one.role))
          .map((one) => ({
            label: say({ code: 'blank.moved', numbers: { channel: one.label } }, language),
            boxes: [word('yes'), word('no')],
          })),
        ...step.outputs
          .filter((output) => fitted(traits.outputs, output))
          .map((output) => ({ label: word(output), boxes: [word('works'), word('not')] })),
      ];
    case 'care':
      return [{ label: word('done'), boxes: [word('yes'), word('no')] }];
    case 'decide':
      return [{ label: word('decided'), boxes: step.options.map((one) => one.label) }, { label: word('why') }];
  }
}

const fitted = (outputs: readonly Output[] | undefined, output: Output) => (outputs ?? OUTPUTS).includes(output);

function asked(item: CheckItem, word: (name: BlankWord) => string): Omit<Blank, 'label'> {
  if (item.answer === 'passFault') return { boxes: [word('pass'), word('fault')] };
  if (item.answer === 'yesNo') return { boxes: [word('yes'), word('no')] };
  return item.unit ? { unit: item.unit } : {};
}

const readings = (point: Point, channels: readonly SheetChannel[], named: boolean): Blank[] =>
  channels
    .filter((one) => point.channels.includes(one.role))
    .map((one) => ({ label: named ? `${one.label}, ${point.label}` : one.label, unit: one.unit }));
