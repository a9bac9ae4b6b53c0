import type { Actor } from '../record/event';
import { say } from '../words/say';
import type { CertificateVersion2 } from './version-2';
import '@/core/words/en/certificate';

/** A document that takes another one back: it names it by number, revision and hash, and says why; the withdrawn one stays as it is. */
export function withdrawalContent({
  withdrawn,
  hash,
  reason,
  number,
  previous,
  issued,
  authorisedBy,
  authorisedAt,
  software,
}: {
  withdrawn: CertificateVersion2;
  hash: string;
  reason: string;
  number: string;
  previous: CertificateVersion2['previous'];
  issued: string;
  authorisedBy: Actor;
  authorisedAt: string;
  software: CertificateVersion2['software'];
}): CertificateVersion2 {
  const { language } = withdrawn;
  return {
    ...withdrawn,
    kind: 'withdrawal',
    title: say({ code: 'title.withdrawal' }, language),
    number,
    revision: 0,
    replaces: null,
    withdraws: { number: withdrawn.number, revision: withdrawn.revision, hash, reason },
    previous,
    software,
    dates: { ...withdrawn.dates, issued },
    results: [],
    probes: [],
    references: [],
    checks: [],
    bumps: [],
    adjustments: [],
    settings: [],
    deviations: [],
    remarks: [reason],
    traces: [],
    due: null,
    uncertainty: say({ code: 'uncertainty.none' }, language),
    conformity: {
      ...withdrawn.conformity,
      covers: [],
      notJudged: [],
      asFound: 'notMeasured',
      asLeft: 'notMeasured',
      sentences: [],
    },
    authorisation: {
      name: authorisedBy.name,
      function: say({ code: `function.${authorisedBy.role}` }, language),
      meaning: say({ code: 'authorised.withdrew' }, language),
      at: authorisedAt,
      samePerson: false,
    },
  };
}
