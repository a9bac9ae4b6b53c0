import { addWords } from '../registry';

/** Words of the page where a customer answers, and of what they are asked. */
export const ANSWER_PAGE = {
  'answerPage.title': 'Your word',
  'answerPage.from': '{workshop} asks {customer}:',
  'answerPage.name': 'Your name',
  'answerPage.nameNeeded': 'Your name, please: it goes on record with your answer.',
  'answerPage.remark': 'Remark',
  'answerPage.remarkNotice': 'What was done',
  'answerPage.yes.offer': 'Yes, go ahead',
  'answerPage.no.offer': 'No, leave it',
  'answerPage.yes.tolerance': 'Agreed',
  'answerPage.no.tolerance': 'Not agreed',
  'answerPage.yes.rule': 'Agreed',
  'answerPage.no.rule': 'Not agreed',
  'answerPage.yes.alarms': 'Agreed',
  'answerPage.no.alarms': 'Not agreed',
  'answerPage.yes.due': 'Yes, state it',
  'answerPage.no.due': 'No, leave it off',
  'answerPage.yes.notice': 'Read',
  'answerPage.no.notice': 'Please call us',
  'answerPage.until': 'This link can be answered until {until}. The first answer counts, and stays on record.',
  'answerPage.given': 'Answered by {name}, {on}: {answer}. Thank you.',
  'answerPage.late': 'The time of this link is over. Ask {workshop} to send a new one.',
  'answerPage.withdrawn': '{workshop} took this question back.',
  'answerPage.unknown': 'This link is not known.',
  'askedOf.offer': 'May we go ahead by offer {number}?',
  'askedOf.notice': 'Our notice of {on} on your {item}, found out of tolerance: have you read it, and what was done about it?',
  'askedOf.rule':
    'We state whether your instruments are within tolerance by this rule: {rule} Do you agree (ISO/IEC 17025:2017, 7.1.3)?',
  'askedOf.due': 'May our documents state the day on which each of your instruments is due next (ISO/IEC 17025:2017, 7.8.4.3)?',
  'askedOf.alarms': 'We would set the alarm points of your instruments so: … Do you agree?',
  'askedOf.tolerance':
    'We would judge {label} of your {model} by a tolerance of {tolerance}, and state so on each document. Do you agree?',
} as const;
addWords(ANSWER_PAGE);
