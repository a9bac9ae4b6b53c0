import type { Command } from './command';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import { handleReading } from './handle-reading';
import { handleReadings } from './handle-readings';
import { handleAdjust, handleDecide } from './handle-adjust';
import { handleCare } from './handle-care';
import { handleBump } from './handle-bump';
import { handleSave } from './handle-save';
import { handleCorrect } from './handle-correct';
import { handlePaper } from './paper';
import { handleBind, handleStimulus } from './handle-supply';
import { handleComplete, handleEnter, handleSkip } from './handle-step';
import { currentSteps } from './plan';
import { refuse, type Refusal } from '../words/refusal';
import { NEEDS_AGREEMENT } from '../instrument/setting';
import { refused } from '../words/refused';
import { openStimulus } from '../record/state';
import '@/core/words/en/refusals-acts';

type Handlers = {
  [T in Command['type']]: (command: Extract<Command, { type: T }>, handling: Handling) => EventDraft[] | Refusal;
};

export const HANDLERS: Handlers = {
  start: (command, { procedure, draft }) => {
    const { id, version } = command.started.procedure;
    if (id !== procedure.id || version !== procedure.version)
      return refuse('otherProcedure', `The procedure is ${procedure.id} version ${procedure.version}.`);
    if (!command.started.channels.some((channel) => channel.status === 'fitted'))
      return refuse('nothingToMeasure', 'No channel of this instrument is fitted and to be calibrated.');
    return [draft('started', command.started)];
  },
  enterStep: handleEnter,
  completeStep: handleComplete,
  skipStep: handleSkip,
  bindReference: handleBind,
  changeStimulus: handleStimulus,
  captureReading: handleReading,
  captureReadings: handleReadings,
  adjust: handleAdjust,
  save: handleSave,
  bump: handleBump,
  care: handleCare,
  decide: handleDecide,
  replacePart: (command, { state, draft }) => {
    const channel = state.channels.find((candidate) => candidate.id === command.channel);
    if (!channel) return refuse('noChannel', 'This instrument has no such channel.');
    return [
      draft('partReplaced', {
        channel: channel.id,
        part: command.part,
        newSerial: command.newSerial,
        ...(channel.sensorSerial ? { oldSerial: channel.sensorSerial } : {}),
      }),
    ];
  },
  setChannel: ({ channel: id, status, reason }, { state, draft }) => {
    const channel = state.channels.find((candidate) => candidate.id === id);
    if (!channel) return refused('noSuchChannel', {}, 'channel');
    if (channel.status === status) return refused('channelAlready', { channel: channel.label }, 'channel');
    const others = state.channels.filter((one) => one.id !== id && one.status === 'fitted');
    if (status !== 'fitted' && others.length === 0) return refused('lastChannel', {}, 'channel');
    const read = state.readings.some((one) => one.channel === id && one.counts && one.flags.length === 0);
    if (status !== 'fitted' && read) return refused('channelRead', { channel: channel.label }, 'channel');
    return [draft('channelSet', { channel: id, status, reason })];
  },
  changeSetting: (command, { draft }) => {
    // Alarm points are safety settings; whatever somebody relies on, who agreed belongs on record.
    if (NEEDS_AGREEMENT[command.kind] && !command.agreedBy?.trim()) return refused('settingAgreed', {}, 'agreedBy');
    return [
      draft('settingChanged', {
        kind: command.kind,
        setting: command.setting,
        before: command.before,
        after: command.after,
        ...(command.agreedBy ? { agreedBy: command.agreedBy } : {}),
      }),
    ];
  },
  strike: (command, { state, draft }) => {
    const { readings, adjustments, bindings, notes, parts, settings, sheets } = state;
    const known = [readings, adjustments, bindings, notes, parts, settings, sheets].some((list) =>
      list.some((entry) => entry.seq === command.seq),
    );
    const already =
      state.struckOut.some((entry) => entry.seq === command.seq) ||
      state.readings.some((entry) => entry.seq === command.seq && entry.flags.some((flag) => flag.code === 'struck')) ||
      state.adjustments.some((entry) => entry.seq === command.seq && entry.struck) ||
      state.bindings.some((entry) => entry.seq === command.seq && entry.struck);
    if (already) return refuse('alreadyStruck', 'This entry is struck out already.');
    if (!known) return refused('nothingToStrike');
    return [draft('struck', { seq: command.seq, reason: command.reason })];
  },
  note: (command, { draft }) => [draft('noted', { text: command.text })],
  takePaper: handlePaper,
  finish: (command, { procedure, state, draft }) => {
    const span = openStimulus(state);
    if (span) return refuse('gasOpen', 'Close the gas before finishing.');
    const open = currentSteps(procedure, state);
    if (open.length > 0) return refuse('stepsLeft', `Still to do: ${open.map((step) => step.step.title).join(', ')}.`);
    return [draft('finished', command.statement ? { statement: command.statement } : {})];
  },
  sendBack: (command, { draft }) => [draft('sentBack', { note: command.note })],
  correct: handleCorrect,
  reopen: (command, { draft }) => [draft('reopened', { reason: command.reason })],
  approve: (command, { state, context, draft }) => {
    const samePerson = state.finishedBy?.id === context.actor.id || state.technician?.id === context.actor.id;
    if (samePerson && !context.allowSamePerson)
      return refuse(
        'samePerson',
        'The one who did the work does not approve it. A setting of the workshop allows this where one person does both.',
      );
    return [draft('approved', { samePerson, ...(command.note ? { note: command.note } : {}) })];
  },
  abort: (command, { state, draft }) => {
    const span = openStimulus(state);
    return span ? refuse('gasOpen', 'Close the gas first.') : [draft('aborted', { reason: command.reason })];
  },
};
