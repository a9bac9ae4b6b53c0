import type { MeasurandId } from '../../quantity/unit';
import { cellCauses } from './cell-causes';
import { glassCauses } from './glass-causes';
import { membraneCauses } from './membrane-causes';
import { offsetCauses } from './offset-causes';
import type { ProbeCauses } from './probe-facts';

/** Likely causes of what a quantity's probe did wrong. They stand beside the measurands, not in them: a sheet judges at once, and looks for causes seldom. */
export const CAUSES: Partial<Record<MeasurandId, ProbeCauses>> = {
  pH: (facts, add) => glassCauses(facts, add, 'pH'),
  'ion concentration': (facts, add) => glassCauses(facts, add, 'ion'),
  'redox potential': offsetCauses,
  conductivity: cellCauses,
  'dissolved oxygen': membraneCauses,
  'oxygen saturation': membraneCauses,
};
