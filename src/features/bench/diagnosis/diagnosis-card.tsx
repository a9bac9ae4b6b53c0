'use client';
import { diagnose } from '@/core/diagnosis/diagnose';
import { probeKind } from '@/core/probe/probe-kind';
import { measuredChannels } from '@/core/record/state';
import { diagnosisFacts } from './diagnosis-facts';
import { lastAt, mainPoint, zeroPoint } from '../main-point';
import { probeCauses } from './probe-causes';
import type { Sheet } from '../sheet';

const MOST = 3;

/** When something failed: likely causes from what was measured, the likeliest first, each with the test that tells it from its look-alikes. The technician decides. */
export function DiagnosisCard({ sheet }: { sheet: Sheet }) {
  const water = probeCauses(sheet);
  // What moves a gas sensor says nothing of a probe in water.
  const wet = sheet.run.state.channels.some((channel) => probeKind(channel.measurand));
  const reason = wet ? water?.reason : whyNow(sheet);
  if (!reason) return null;
  const causes = (water?.causes ?? diagnose(diagnosisFacts(sheet))).slice(0, MOST);
  if (causes.length === 0) return null;
  return (
    <section className="sheet diagnosis mt-3" aria-label="Likely causes" data-testid="diagnosis">
      <h2>
        Likely causes <span className="quiet fs-6 fw-normal">{reason}</span>
      </h2>
      <ol className="mb-0">
        {causes.map((cause, index) => (
          <li key={cause.code} data-cause={cause.code}>
            <strong>{cause.title}</strong>
            <div className="small">{cause.because.join(' ')}</div>
            {index < 2 && (
              <div className="next-test">
                <span className="small-caps">next test</span> {cause.nextTest}
              </div>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Only where something went wrong: nobody reads advice that is always there. */
function whyNow(sheet: Sheet): string | null {
  const { run, view, live } = sheet;
  const { state } = run;
  if (state.status !== 'open') return null;
  const measured = measuredChannels(state);
  const failed = measured.filter(
    (channel) =>
      state.adjustments.filter((one) => !one.struck && one.channels.includes(channel.id) && one.action !== 'quick').at(-1)
        ?.outcome === 'failed',
  );
  if (failed.length) return `${failed.map((one) => one.label).join(', ')} failed to adjust.`;
  if (state.bumps.at(-1)?.outcome === 'failed') return state.bumps.at(-1)!.reasons?.join(' ') ?? 'The bump failed.';
  if (state.saves.at(-1)?.outcome === 'lost' || live.notices.at(-1)?.notice === 'saveLost') return 'The save was lost.';
  const outside = measured.filter((channel) =>
    [mainPoint(view.procedure, channel), zeroPoint(view.procedure, channel)].some((point) => {
      const reading = lastAt(state, channel, point);
      return reading?.counts && reading.judgement.state === 'outside';
    }),
  );
  if (outside.length) return `${outside.map((one) => one.label).join(', ')} outside.`;
  const slow = measured.filter((channel) =>
    state.readings.some((one) => one.channel === channel.id && (one.capture?.t90Seconds ?? 0) > 60),
  );
  if (slow.length) return `${slow.map((one) => one.label).join(', ')} slow to answer.`;
  const facts = diagnosisFacts(sheet);
  const absent = facts.channels.filter((one) => one.shows === 'fault');
  if (absent.length) return `${absent.map((one) => one.label).join(', ')} shows a fault.`;
  if (Math.abs(facts.clockOffSeconds ?? 0) > 120) return 'Its clock is wrong.';
  if (live.blockedInGas) return 'The pump was blocked.';
  return null;
}
