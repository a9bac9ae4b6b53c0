import type { RunChannel } from '../record/event';
import type { VerdictState } from '../record/judgement';
import type { DecisionRule } from '../uncertainty/decide';

export interface CertificateReading {
  text: string;
  error: string | null;
  state: VerdictState;
  remark?: string;
}

/** One line of the results: a point of a channel. */
export interface CertificateResult {
  channel: string;
  label: string;
  point: string;
  unit: string;
  target: string | null;
  basis: string;
  tolerance: string | null;
  asFound: CertificateReading | null;
  asLeft: CertificateReading | null;
  expanded: string | null;
  k: number | null;
  note?: string;
}

/** The first form of the document: read for ever, never written again. The PDF is drawn from this and nothing else. Clauses: ISO/IEC 17025:2017, 7.8.2 and 7.8.4. */
export interface CertificateVersion1 {
  schema: 'werkbank-certificate/1';
  kind: 'certificate' | 'record';
  title: string;
  number: string;
  revision: number;
  replaces: { number: string; revision: number; reason: string } | null;
  laboratory: { name: string; address: string; place: string };
  customer: { name: string; address: string; contact: string };
  item: {
    maker: string;
    model: string;
    serial: string;
    tag: string;
    condition: string[];
    channels: {
      label: string;
      measurand: string;
      range: string;
      resolution: string;
      tolerance: string;
      scale: string;
      sensorSerial: string;
      status: RunChannel['status'];
    }[];
  };
  dates: { received: string; calibrated: string; issued: string };
  method: { text: string; procedure: string; version: number };
  deviations: string[];
  environment: string[];
  references: { name: string; lot: string; certificate: string; traceability: string; expires: string; components: string[] }[];
  results: CertificateResult[];
  adjustments: string[];
  /** Probes in water: slope, offset, cell constant, rules of computation. */
  probes?: { label: string; lines: string[] }[];
  uncertainty: string;
  conformity: { rule: DecisionRule; ruleText: string; asFound: VerdictState; asLeft: VerdictState; sentences: string[] };
  suppliedByCustomer: string[];
  resultsOfOthers: string;
  due: { date: string; reason: string } | null;
  remarks: string[];
  technician: string;
  authorisation: { name: string; samePerson: boolean };
  notices: string[];
  run: { id: string; lastHash: string };
}
