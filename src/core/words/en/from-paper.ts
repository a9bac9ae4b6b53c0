import { addWords } from '../registry';

/** Words of a run that was written on paper. */
export const FROM_PAPER = {
  'paper.photo': 'Photo {number} of the paper',
  'paper.from': 'From paper of {day}, written by {by}: waiting times are those of the paper.',
  'paper.title': 'Written on paper',
  'paper.notAPicture': 'This is no JPEG or PNG picture.',
  'paper.tooLarge': 'At most 8 MB a photo.',
  'paper.noRun': 'This run does not exist.',
  'paper.closed': 'This run is no longer open.',
  'paper.notSent': 'The photo did not arrive; it is still here. Try again.',
  'paper.day': 'Day of the work',
  'paper.by': 'Written by',
  'paper.photos': 'Photos of the sheet',
} as const;
addWords(FROM_PAPER);
