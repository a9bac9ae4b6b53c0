import type { Procedure } from '@/core/procedure/procedure';
import { bumpTest } from './bump-test';
import { family01 } from './family-01-pumped-one-button';
import { family02 } from './family-02-grow-room-meter';
import { family03 } from './family-03-digital-ph-meter';
import { family04 } from './family-04-four-gas-leak-monitor';
import { family05 } from './family-05-field-oxygen-ph-ec';
import { family06 } from './family-06-single-gas-co-monitor';
import { family07 } from './family-07-infrared-carbon-dioxide';
import { family08 } from './family-08-single-gas-co-detector';
import { family09 } from './family-09-laboratory-conductivity';
import { family10 } from './family-10-docking-station';
import { family11 } from './family-11-two-buffer-ph-meter';
import { family12 } from './family-12-oxygen-sonde';
import { family13 } from './family-13-breathing-gas-module';
import { family14 } from './family-14-breath-alcohol-tester';
import { family15 } from './family-15-hydrogen-breath-monitor';
import { family16 } from './family-16-area-monitor-voc';
import { family17 } from './family-17-pump-diffusion-four-gas';
import { family18 } from './family-18-automatic-station';
import { family19 } from './family-19-laboratory-multi-meter';
import { family20 } from './family-20-combined-ph-ec-tester';
import { family21 } from './family-21-five-gas-pentane-scale';
import { family22 } from './family-22-turbidity-meter';

/** The procedures that ship. Stored and frozen in the database when a run first uses them. */
export const PROCEDURES: Procedure[] = [
  family01,
  family02,
  family03,
  family04,
  family05,
  family06,
  family07,
  family08,
  family09,
  family10,
  family11,
  family12,
  family13,
  family14,
  family15,
  family16,
  family17,
  family18,
  family19,
  family20,
  family21,
  family22,
  bumpTest,
];

export function shippedProcedure(id: string): Procedure | undefined {
  return PROCEDURES.find((procedure) => procedure.id === id);
}
