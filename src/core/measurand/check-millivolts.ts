import { BUFFER_IDS, type BufferId } from '../ph/buffer-value';
import { recogniseBuffer } from '../ph/recognise-buffer';
import { refuse, type Refusal } from '../words/refusal';
import type { RunChannel } from '../record/event';
import { calibrationReadings, type RunState } from '../record/state';

const COMMON: BufferId[] = ['technical-4.01', 'technical-7.00', 'technical-10.01'];
/** Under this an offset may turn the sign; beyond it only a slip of the keys or a swapped plug does. */
const SURE_MV = 60;

/**
 * Whether an electrode's millivolts fit the buffer that was scanned: a wrong sign, or the voltage of another buffer, is said beside the place.
 * Arguments: mV and °C as typed, the buffer's id and value. Null where nothing contradicts. Source: Nernst equation, acid positive; limits of `recogniseBuffer`.
 *
 * @example
 * checkMillivolts({ millivolts: '-172', temperatureC: 25, buffer: 'technical-4.01', pH: 4.01 })?.code // 'wrongSign'
 */
export function checkMillivolts({
  millivolts,
  temperatureC,
  buffer,
  pH,
}: {
  millivolts: string;
  temperatureC: number;
  buffer: string;
  pH: number;
}): Refusal | null {
  const beside = { field: 'millivolts' };
  if (!/^[+-]?\d+(\.\d+)?$/.test(millivolts.trim()) || Math.abs(Number(millivolts)) > 1000)
    return refuse('notANumber', `“${millivolts}” is no voltage of an electrode: millivolts, such as 172.4 or −175.1.`, beside);
  const value = Number(millivolts);
  if (Math.abs(value) > SURE_MV && Math.abs(7 - pH) > 1 && Math.sign(value) !== Math.sign(7 - pH))
    return refuse(
      'wrongSign',
      `${millivolts} mV has the wrong sign for pH ${pH.toFixed(2)}: ${pH < 7 ? 'acid reads positive' : 'alkaline reads negative'}. Check the sign, then the plug.`,
      beside,
    );
  const set = [...new Set([...COMMON, ...((BUFFER_IDS as string[]).includes(buffer) ? [buffer as BufferId] : [])])];
  const found = recogniseBuffer({ millivolts: value, temperatureC, set });
  return found && found.buffer !== buffer && Math.abs(found.pH - pH) > 0.5
    ? refuse(
        'contradictsBottle',
        `${millivolts} mV is the voltage of ${found.buffer}, the bottle says ${buffer}: wrong beaker, or a cracked glass. Not taken.`,
        beside,
      )
    : null;
}

/** The same buffer twice among the points of a calibration gives no second point. */
export function sameBufferTwice(state: RunState, channel: RunChannel, buffer: string): Refusal | null {
  const twice = calibrationReadings(state, channel).some(
    (one) => one.inputs.buffer === buffer || one.target?.inputs.buffer === buffer,
  );
  return twice
    ? refuse(
        'sameBuffer',
        `${buffer} is a point of this calibration already: a second time it gives no slope. Take another buffer.`,
        {
          field: 'millivolts',
        },
      )
    : null;
}
