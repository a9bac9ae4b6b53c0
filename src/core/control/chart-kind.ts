/** What a control chart follows (ISO/IEC 17025:2017, 7.7.1): a check standard, a second standard beside the first, readings that are repeated, an instrument kept for it. Closed. */
export const CHART_KINDS = ['checkStandard', 'secondStandard', 'repeat', 'shelfInstrument'] as const;
export type ChartKind = (typeof CHART_KINDS)[number];
