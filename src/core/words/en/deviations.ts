import { addWords } from '../registry';

/** Deviations from the method that the program notes by itself, as they stand on the document. */
export const DEVIATIONS = {
  'deviation.early': '{title}: {seconds} s too early',
  'deviation.leftOut': 'Left out: {title}',
  'deviation.tooSoon': '{title}: read after {seconds} s in the {what} instead of {asked} s',
  'deviation.ownSensor': 'Temperature of the liquid taken from the instrument itself',
  'deviation.ownSensorReason': 'No thermometer was dipped beside {channel}; the tolerance of its own sensor is in the budget',
  'deviation.regulator': '{regulator} at this instrument',
  'deviation.pumpOff': 'Fixed flow on a pumped instrument: switch its pump off first.',
  'deviation.fixedOnPump':
    'Fixed flow never matches a pump: too little starves it, too much pushes on the seals. Take a demand regulator.',
  'deviation.paper': 'Written on paper on {day} by {by} and entered afterwards',
  'deviation.paperReason':
    'The program was not at hand. Waiting times and times of exposure are those of the paper; photos of it are kept with the record.',
} as const;
addWords(DEVIATIONS);
