import { say } from '../words/say';
import type { CertificateVersion2, JudgedText } from './version-2';
import '@/core/words/en/certificate';

/**
 * What is different in a revision: named item by item, as 7.8.8 asks.
 * Source: ISO/IEC 17025:2017, 7.8.8.1.
 */
export function changesBetween(before: CertificateVersion2, after: CertificateVersion2): string[] {
  const { language } = after;
  const differs = (one: unknown, other: unknown) => JSON.stringify(one) !== JSON.stringify(other);
  const parts = (['customer', 'item', 'references', 'due'] as const).flatMap((part) =>
    differs(before[part], after[part]) ? [say({ code: `changed.${part}` }, language)] : [],
  );
  if (differs(before.environment, after.environment)) parts.push(say({ code: 'changed.conditions' }, language));
  const shown = (judged: JudgedText | null | undefined) =>
    judged ? `${judged.reading} (${judged.reference ?? '—'})` : say({ code: 'changed.none' }, language);
  const results = after.results.flatMap((line) => {
    const old = before.results.find((one) => one.channel === line.channel && one.point === line.point);
    return (['found', 'left'] as const).flatMap((side) =>
      shown(old?.[side]) === shown(line[side])
        ? []
        : [
            say(
              {
                code: `changed.${side}`,
                numbers: { label: line.label, point: line.point, before: shown(old?.[side]), after: shown(line[side]) },
              },
              language,
            ),
          ],
    );
  });
  const changed = [...parts, ...results];
  return changed.length ? changed : [say({ code: 'changed.nothing' }, language)];
}

/** A revision: the new content under the old number, naming what it replaces, why, and what changed. */
export function revisedContent({
  previous,
  next,
  reason,
}: {
  previous: CertificateVersion2;
  next: CertificateVersion2;
  reason: string;
}): CertificateVersion2 {
  return {
    ...next,
    number: previous.number,
    revision: previous.revision + 1,
    replaces: {
      number: previous.number,
      revision: previous.revision,
      reason,
      changed: changesBetween(previous, next),
    },
  };
}
