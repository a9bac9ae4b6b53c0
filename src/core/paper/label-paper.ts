/** Papers that labels are printed on: a roll of one size, or a sheet that holds many. */
export const LABEL_PAPERS = ['62x29', '62x100', '102x51', 'a4', 'letter'] as const;
export type LabelPaper = (typeof LABEL_PAPERS)[number];

/** Width and height, mm; null for a sheet, on which labels of the usual size stand side by side. */
export const ROLL_MM: Record<LabelPaper, readonly [number, number] | null> = {
  '62x29': [62, 29],
  '62x100': [62, 100],
  '102x51': [102, 51],
  a4: null,
  letter: null,
};

/** What an address or a setting names, else the usual one. */
export const labelPaper = (text: string | undefined, usual: LabelPaper): LabelPaper =>
  LABEL_PAPERS.find((one) => one === text) ?? usual;

/** The page rule of a print on it: a roll gives a page a label. */
export function pageRule(paper: LabelPaper): string {
  const roll = ROLL_MM[paper];
  return roll ? `@page { size: ${roll[0]}mm ${roll[1]}mm; margin: 0 }` : `@page { size: ${paper}; margin: 10mm }`;
}
