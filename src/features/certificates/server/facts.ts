import { standingValues } from '@/features/budgets/server';
import { eq } from 'drizzle-orm';
import type { CertificateVersion2 } from '@/core/certificate';
import { certificateContent } from '@/core/certificate/content';
import { results } from '@/core/results/results';
import { INSPECTION_ITEMS } from '@/features/counter/server';
import { say, type Language } from '@/core/words/say';
import { inLanguage, textIn } from '@/procedures/in-language';
import { receipt, ticket, type Inspection } from '@/data/schema';
import type { LoadedRun } from '@/features/bench/server';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';
import { withCurves } from './curves';
import { ownedAsset } from './owned-asset';
import { software } from '@/platform/software';
import type { UseCaseContext } from '@/platform/use-case';
import { annexesWanted } from './annexes-wanted';
import { ruleAgreed } from './rule-agreed';
import { workedOn } from './worked-on';
import '@/core/words/en/certificate';
import '@/core/words/en/services';
import '@/core/words/de';

/** What stands on the document besides the run: whose instrument, how it came in, what the customer told us. */
export async function factsFor({ tx }: Pick<UseCaseContext, 'tx'>, { row, state }: LoadedRun, asked?: Language) {
  const found = await ownedAsset(tx, row);
  const [came] = row.ticketId
    ? await tx
        .select({ ticket, receipt })
        .from(ticket)
        .innerJoin(receipt, eq(ticket.receiptId, receipt.id))
        .where(eq(ticket.id, row.ticketId))
    : [];
  const { zone } = await readSettings(tx);
  const { name, address, contact, email } = found.customer;
  const language = asked ?? found.customer.language;
  const rule = state.started?.rule;
  const agreed = rule ? await ruleAgreed(tx, { customerId: row.customerId, rule, language, zone }) : null;
  return {
    language,
    customer: { name, address, contact: [came?.receipt.contact || contact, email].filter(Boolean).join(', ') },
    received: came ? dateIn(zone, came.receipt.receivedAt) : null,
    dueAgreed: came?.ticket.dueAgreed ?? false,
    item: {
      maker: found.asset.maker,
      model: found.model,
      serial: found.asset.serial,
      tag: found.asset.tag,
      condition: conditionText(came?.ticket.inspection ?? {}, language),
    },
    supplied: [
      ...(found.asset.tag ? [say({ code: 'supplied.tag', numbers: { tag: found.asset.tag } }, language)] : []),
      ...(came
        ? [
            say(
              { code: 'supplied.service', numbers: { service: say({ code: `service.${came.ticket.service}` }, language) } },
              language,
            ),
          ]
        : []),
      ...(came?.ticket.note ? [came.ticket.note] : []),
      ...(agreed ? [agreed] : []),
    ],
  };
}

function conditionText(inspection: Inspection, language: Language): string[] {
  const label = (id: string) => textIn(INSPECTION_ITEMS.find((item) => item.id === id)?.label ?? id, language);
  const of = (result: Inspection[string]['result']) => Object.entries(inspection).filter(([, entry]) => entry.result === result);
  // The document says only what was looked at.
  const faults = of('fault').map(([id, { note }]) =>
    say({ code: 'condition.fault', numbers: { item: label(id), note: note ?? '' } }, language),
  );
  const sound = of('pass').map(([id]) => label(id));
  if (faults.length + sound.length === 0) return [say({ code: 'condition.notInspected' }, language)];
  return [
    ...faults,
    ...(sound.length && !faults.length ? [say({ code: 'condition.sound', numbers: { items: sound.join('; ') } }, language)] : []),
  ];
}

/** The content of the document of a run as it stands now; number and place in the order of documents come last. */
export async function contentOf(
  { tx, actor, now }: UseCaseContext,
  loaded: LoadedRun,
  given: {
    number: string;
    previous: CertificateVersion2['previous'];
    due: CertificateVersion2['due'];
    annexes?: Partial<CertificateVersion2['annexes']> | undefined;
    /** A revision keeps the language of what it replaces. */
    language?: Language | undefined;
  },
): Promise<CertificateVersion2> {
  const { state, procedure } = loaded;
  const settings = await readSettings(tx);
  const facts = await factsFor({ tx }, loaded, given.language);
  const days = results({ procedure, state })
    .flatMap((line) => [line.found?.at ?? [], line.left?.at ?? []].flat())
    .map((at) => state.paper?.day ?? dateIn(settings.zone, new Date(at)))
    .sort();
  const finished = workedOn(state, settings.zone, now);
  const wanted = await annexesWanted(tx, loaded.row.id);
  const annexes = { budgets: given.annexes?.budgets ?? wanted.budgets, traces: given.annexes?.traces ?? wanted.traces };
  const worded = inLanguage(procedure, state, facts.language);
  const content = certificateContent({
    ...worded,
    language: facts.language,
    number: given.number,
    previous: given.previous,
    software: software(),
    laboratory: { name: settings.name, address: settings.address, contact: settings.contact },
    place: settings.place,
    customer: facts.customer,
    item: facts.item,
    received: facts.received ?? days[0] ?? finished,
    issued: dateIn(settings.zone, now),
    calibrated: { from: days[0] ?? finished, to: days.at(-1) ?? finished },
    due: given.due,
    suppliedByCustomer: facts.supplied,
    authorisedBy: actor,
    authorisedAt: now.toISOString(),
    lastHash: loaded.lastHash,
    standing: await standingValues(tx),
    annexes,
  });
  return annexes.traces ? { ...content, traces: await withCurves({ tx }, loaded, content.traces) } : content;
}
