/** Whether simulated instruments may stand in this house: in the demo, for practice and in tests. A house that issues papers in earnest is started without. */
export const simulated = (): boolean => process.env.WERKBANK_SIMULATED === 'yes';
