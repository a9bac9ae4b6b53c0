import type { CheckItem, ItemTopic } from '@/core/procedure/procedure';
import type { LineView } from '@/features/lines/server';

/** What the instrument itself says to the questions of a step, read off its line: peaks, clock, own counter, stored values and alarm points. A person looks at it and may overwrite it. */
export function suggestAnswers(
  items: readonly CheckItem[],
  line: LineView | null,
  only: number | null = null,
): Record<string, string> {
  const facts = line?.hello?.facts;
  if (!line?.hello || !facts) return {};
  const [channel, ...others] = line.hello.channels.filter((one) => one.fitted && (only === null || one.slot === only));
  const single = others.length === 0 ? channel : undefined;
  const ahead = line.seenAt ? Math.round((Date.parse(facts.clock) - Date.parse(line.seenAt)) / 1000) : undefined;
  const name = (slot: number) => line.hello!.channels.find((one) => one.slot === slot)?.measurand ?? `slot ${slot}`;
  const known: { [topic in ItemTopic]?: string | undefined } = {
    peaks: facts.peaks.map((one) => `${name(one.slot)} ${one.peak}`).join(', '),
    clock: ahead === undefined ? undefined : String(Math.abs(ahead) <= 2 ? 0 : ahead),
    ownCounter: facts.dueInDays === undefined ? undefined : String(facts.dueInDays),
    storedSpan: single && facts.spanValues.find((one) => one.slot === single.slot)?.value,
    alarmLow: single?.alarmLow,
    alarmHigh: single?.alarmHigh,
    lastAlarm: facts.lastAlarm ?? 'none shown',
  };
  const read: { [figure in NonNullable<CheckItem['reads']>['figure']]: string | undefined } = {
    slope: facts.probe?.slopePercent,
    offset: facts.probe?.offsetMv,
    cellConstant: facts.probe?.cellConstant,
    response: facts.probe?.responseSeconds,
  };
  return Object.fromEntries(
    items.flatMap((item) => {
      const value = item.reads ? read[item.reads.figure] : item.about ? known[item.about] : undefined;
      return value && (item.answer === 'text' || item.answer === 'number') ? [[item.id, value]] : [];
    }),
  );
}
