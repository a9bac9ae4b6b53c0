import type { RunChannel } from '../record/event';
import type { VerdictState } from '../record/judgement';
import type { Verdict } from '../results/judged';
import type { DecisionRule } from '../uncertainty/decide';
import type { ComponentDistribution } from '../uncertainty/component';
import type { Language } from '../words/say';

export const SCHEMA_2 = 'werkbank-certificate/2';

export const DOCUMENT_KINDS = [
  'calibration',
  'asFound',
  'zeroAdjustment',
  'accuracyCheck',
  'bump',
  'limited',
  'imported',
  'notCalibrated',
  'withdrawal',
] as const;
export type DocumentKind = (typeof DOCUMENT_KINDS)[number];

/** Figures are decimal texts as printed. */
export interface ComponentText {
  name: string;
  basis: string;
  kind: 'A' | 'B';
  distribution: ComponentDistribution;
  half?: string;
  expanded?: string;
  k?: string;
  s?: string;
  n?: string;
  standard: string;
  sensitivity: string;
  dof: string | null;
  contribution: string;
}

export interface JudgedText {
  reading: string;
  status: 'value' | 'over' | 'under' | 'fault' | 'flicker' | 'interval';
  at: string;
  reference: string | null;
  referenceId: string | null;
  basis: string;
  inputs: Record<string, string>;
  deviation: string | null;
  limits: { lower: string; upper: string } | null;
  budget: ComponentText[];
  standard: string | null;
  effectiveDof: string | null;
  k: string | null;
  kReason?: string;
  coverage: string;
  expanded: string | null;
  rule: DecisionRule;
  verdict: Verdict;
  why?: string;
  counts: boolean;
}

export interface ResultText {
  channel: string;
  label: string;
  measurand: string;
  point: string;
  unit: { shown: string; ucum: string | null };
  found: JudgedText | null;
  left: JudgedText | null;
  adjusted: boolean;
  note?: string;
}

export interface ReferenceText {
  id: string;
  name: string;
  lot: string;
  certificate: string;
  issuer: string;
  traceability: string;
  expires: string | null;
  values: { quantity: string; value: string; expanded: string | null; k: string | null; unit: string }[];
  /** Corrections of its certificate that were applied. */
  corrections?: { quantity: string; at: string; correction: string }[];
}

export interface MeasuredText {
  value: string;
  expanded: string | null;
  k: string | null;
  equipment: string | null;
}

/** A raw trace behind a reading: under which hash it is kept, and its curve where the annex was asked for. */
export interface TraceText {
  point: string;
  channel: string;
  hash: string;
  label?: string;
  pointLabel?: string;
  unit?: string;
  /** Seconds and what was shown, thinned. */
  curve?: [seconds: string, text: string][];
}

/** The document as data, version 2: the PDF, the screen and a stranger's check are made from this and nothing else. Clauses: ISO/IEC 17025:2017, 7.8.2 to 7.8.8. */
export interface CertificateVersion2 {
  schema: typeof SCHEMA_2;
  kind: DocumentKind;
  title: string;
  number: string;
  revision: number;
  replaces: { number: string; revision: number; reason: string; changed: string[] } | null;
  /** What a withdrawal withdraws. */
  withdraws?: { number: string; revision: number; hash: string; reason: string };
  previous: { number: string; hash: string } | null;
  software: { name: string; version: string; commit: string };
  language: Language;
  laboratory: { name: string; address: string; contact: string };
  place: string;
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
  dates: { received: string; calibrated: { from: string; to: string }; issued: string };
  method: { text: string; procedure: string; version: number; document: string };
  environment: Record<'temperatureC' | 'pressureHPa' | 'humidityPercent', MeasuredText | null>;
  references: ReferenceText[];
  results: ResultText[];
  probes: { label: string; lines: string[] }[];
  uncertainty: string;
  conformity: {
    specification: { name: string; whose: 'maker' | 'customer' | 'workshop' | 'standard' };
    covers: string[];
    notJudged: string[];
    rule: DecisionRule;
    ruleText: string;
    asFound: VerdictState;
    asLeft: VerdictState;
    sentences: string[];
  };
  checks: { what: string; answer: string; consequence?: string }[];
  bumps: { kind: string; channels: string[]; outputs: string[]; verdict: 'passed' | 'failed' }[];
  adjustments: string[];
  deviations: string[];
  settings: { what: string; before: string; after: string; agreedBy?: string }[];
  remarks: string[];
  resultsOfOthers: string[];
  suppliedByCustomer: string[];
  due: { date: string; reason: string } | null;
  technician: string;
  authorisation: { name: string; function: string; meaning: string; at: string; samePerson: boolean };
  notices: string[];
  run: { id: string; lastHash: string };
  traces: TraceText[];
  /** What was asked to stand on paper besides. */
  annexes: { budgets: boolean; traces: boolean };
}
