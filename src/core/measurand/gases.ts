import { gas } from './gas';

/** It fades in the bottle, moisture most of all with hydrogen sulphide (common practice). */
const FADES = { usualT90Seconds: 30, fadesInBottle: true } as const;

/**
 * Toxic and other gases of portable monitors. What clean air holds of each is remembered from tables of the atmosphere (memory), what a bottle loses is remembered from
 * suppliers' statements (memory): both wait for a signatory's source before they feed a certificate.
 */
export const GASES = {
  'hydrogen sulphide': gas({ fades: 2, clean: [0.01, 'ppm'], sensor: FADES }),
  'carbon monoxide': gas({ fades: 0.5, clean: [0.5, 'ppm'] }),
  'sulphur dioxide': gas({ fades: 2, clean: [0.01, 'ppm'], sensor: FADES }),
  'carbon dioxide': gas({ fades: 0.5, clean: [450, 'ppm'], filtered: [10, 'ppm'] }),
  'nitrous oxide': gas({ danger: null, fades: 0.5, clean: [0.4, 'ppm'] }),
  'anaesthetic agent': gas({ danger: 'fall', fades: 1, clean: [0.001, '%vol'] }),
  hydrogen: gas({ danger: null, fades: 0.5, clean: [0.6, 'ppm'] }),
  'volatile organics': gas({ fades: 2, clean: [200, 'ppb'], filtered: [10, 'ppb'] }),
};
