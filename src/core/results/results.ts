import type { Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { lastAdjusted, sharedExposure } from '../run/shared';
import { isStruck, type RecordedReading, type RunState } from '../record/state';
import type { Fact } from '../words/say';
import { askedPoints } from './asked-points';
import { judgedOf, type ResultLine } from './judged';
import '@/core/words/en/certificate';

/**
 * The one table of results: every point that was asked for or read, as found and as left joined here and nowhere else.
 * As found never borrows from as left: each comes from its own event. Where nothing was adjusted and as left was not read, as found stands for both, and says so.
 * Source: ISO/IEC 17025:2017, 7.8.4.1 (results before and after adjustment).
 *
 * @example
 * results({ procedure: family04, state })[0].found?.reference // '25.0'
 */
export function results({ procedure, state }: { procedure: Procedure; state: RunState }): ResultLine[] {
  const asked = askedPoints(procedure, state);
  const standing = new Map<string, RecordedReading>();
  for (const reading of state.readings)
    if (!isStruck(reading)) standing.set(`${reading.phase}/${reading.point}/${reading.channel}`, reading);
  const adjusted = new Set<string>();
  for (const one of state.adjustments)
    if (!one.struck && one.action !== 'quick' && one.outcome !== 'discarded') one.channels.forEach((id) => adjusted.add(id));
  return procedure.points.flatMap((point) => {
    const wanted = { found: asked.found.has(point.id), left: asked.left.has(point.id) };
    if (!wanted.found && !wanted.left) return [];
    return state.channels
      .filter((channel) => point.channels.includes(channel.role))
      .map((channel): ResultLine => {
        const found = standing.get(`asFound/${point.id}/${channel.id}`);
        // What was read before another adjustment of this channel is no as left.
        const read = standing.get(`asLeft/${point.id}/${channel.id}`);
        const left = read && read.seq > lastAdjusted(state, channel.id) ? read : undefined;
        const shared = left ? sharedExposure(state, left) : null;
        const wasAdjusted = adjusted.has(channel.id);
        const foundJudged = found ? judgedOf(found) : null;
        const leftIsFound = !left && !wasAdjusted && foundJudged !== null && found!.counts;
        const line = {
          channel: channel.id,
          role: channel.role,
          label: channel.label,
          measurand: channel.measurand,
          point: point.id,
          pointLabel: point.label,
          unit: channel.unit,
          status: channel.status,
          asked: wanted,
          found: foundJudged,
          left: left ? judgedOf(left) : leftIsFound ? foundJudged : null,
          adjusted: wasAdjusted,
          leftIsFound,
          retired: state.retired[channel.id]?.consequence ?? null,
        };
        return {
          ...line,
          notes: [
            ...notesOf(line, channel),
            ...(foundJudged?.inputs.computed ? [computedNote(foundJudged.inputs.computed)] : []),
            ...(shared ? [SAME_EXPOSURE] : []),
          ],
        };
      });
  });
}

const computedNote = (from: string): Fact => ({ code: from === 'cell' ? 'note.computedCell' : 'note.computedElectrode' });
const SAME_EXPOSURE: Fact = { code: 'note.sameExposure' };
function notesOf(line: Omit<ResultLine, 'notes'>, channel: RunChannel): Fact[] {
  if (channel.status === 'removed') return [{ code: 'note.removed' }];
  if (channel.status === 'notCalibrated') return [{ code: 'note.notCalibrated' }];
  const notes: Fact[] = [];
  if (line.leftIsFound) notes.push({ code: 'note.leftIsFound' });
  if (line.retired) notes.push({ code: line.retired === 'service' ? 'note.service' : 'note.outOfService' });
  const beyond = [line.found, line.left].filter((one) => one?.outsideScope);
  if (beyond.length) notes.push({ code: 'note.outsideScope' });
  if (!line.found && !line.left && !line.retired) notes.push({ code: 'note.notMeasured' });
  return notes;
}
