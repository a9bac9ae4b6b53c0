import { addWords } from '../registry';

/** Words of what papers look like: their numbers, and the workshop's sign. */
export const OFFICE_PAPERS = {
  'papersRoom.title': 'Papers and numbers',
  'papersRoom.what': 'What stands at the head of every paper, and how they are numbered.',
  'numbers.title': 'Numbers',
  'numbers.how':
    '“{year}” or “{yy}” stands for the year, “{n}” for the count with at least four figures, which begins anew each year. Besides these capitals, figures, point, line and dash. Numbers that were given stay, and every count goes on.',
  'numbers.next': 'the 62nd: {number}',
  'numbers.save': 'Save numbers',
  'numbers.saved': 'Saved: from the next one on.',
  'numbers.usual': 'The usual ones',
  'numbers.wrong': 'Not every series can be numbered so: see beside the fields.',
  'numbers.series.receipt': 'Receipts',
  'numbers.series.ticket': 'Tickets',
  'numbers.series.certificate': 'Certificates',
  'numbers.series.notCalibrated': 'Not calibrated',
  'numbers.series.withdrawal': 'Withdrawals',
  'numbers.series.nonconformity': 'Nonconforming work',
  'numbers.series.handedBack': 'Handed back uncalibrated',
  'numbers.series.offer': 'Offers',
  'numbers.problem.begins': 'Begin with a capital letter.',
  'numbers.problem.signs': 'Capitals, figures, point, line and dash, and the year and the count in braces.',
  'numbers.problem.noYear': 'It needs the year: without it the count would give the same number twice.',
  'numbers.problem.noCount': 'It needs the count.',
  'numbers.problem.twice': 'Year and count once each.',
  'numbers.problem.runsTogether':
    'Put a letter or a sign between year, count and other figures, or two numbers could be read as one.',
  'numbers.problem.long': 'Too long for a label: at most 20 signs.',
  'numbers.problem.like': 'A number like this could be one of “{other}”.',
  'logo.title': 'Sign of the workshop',
  'logo.how':
    'A PNG or JPEG of at most {most} KB. It stands at the head of documents issued from now on, and of slips, receipts, offers and delivery notes.',
  'logo.of': 'The workshop’s sign',
  'logo.choose': 'Choose a picture',
  'logo.drop': 'Take it off the papers',
  'logo.kind': 'This is no PNG or JPEG by what is in it.',
  'logo.large': 'It is larger than {most} KB.',
  'logo.damaged': 'This picture can’t be drawn: save it anew as PNG.',
  'logo.none': 'There is none.',
  'logo.notSent': 'It did not arrive. Try again.',
} as const;
addWords(OFFICE_PAPERS);
