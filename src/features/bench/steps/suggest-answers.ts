import type { CheckItem } from '@/core/procedure/procedure';
import type { LineView } from '@/features/lines/server';

/** What the instrument itself says to the questions of a step, read off its line: peaks, clock, own counter, stored values and alarm points. A person looks at it and may overwrite it. */
export function suggestAnswers(items: readonly CheckItem[], line: LineView | null): Record<string, string> {
  const facts = line?.hello?.facts;
  if (!line?.hello || !facts) return {};
  const [channel, ...others] = line.hello.channels.filter((one) => one.fitted);
  const single = others.length === 0 ? channel : undefined;
  const ahead = line.seenAt ? Math.round((Date.parse(facts.clock) - Date.parse(line.seenAt)) / 1000) : undefined;
  const name = (slot: number) => line.hello!.channels.find((one) => one.slot === slot)?.measurand ?? `slot ${slot}`;
  const known: Record<string, string | undefined> = {
    peaks: facts.peaks.map((one) => `${name(one.slot)} ${one.peak}`).join(', '),
    clock: ahead === undefined ? undefined : String(Math.abs(ahead) <= 2 ? 0 : ahead),
    deviation: ahead === undefined ? undefined : String(Math.abs(ahead) <= 2 ? 0 : ahead),
    days: facts.dueInDays === undefined ? undefined : String(facts.dueInDays),
    span: single && facts.spanValues.find((one) => one.slot === single.slot)?.value,
    low: single?.alarmLow,
    high: single?.alarmHigh,
    slope: facts.probe?.slopePercent,
    offset: facts.probe?.offsetMv,
    'cell-constant': facts.probe?.cellConstant,
    response: facts.probe?.responseSeconds,
    alarms: facts.lastAlarm ?? 'none shown',
  };
  return Object.fromEntries(
    items.flatMap((item) => {
      const value = item.answer === 'text' || item.answer === 'number' ? known[item.id] : undefined;
      return value ? [[item.id, value]] : [];
    }),
  );
}
