/** What customers are asked by link. An answer to an offer, a tolerance or the due date changes what it is about; the others stand on record. */
export const QUESTION_ABOUTS = ['offer', 'tolerance', 'rule', 'alarms', 'due', 'notice'] as const;
export type QuestionAbout = (typeof QUESTION_ABOUTS)[number];

/** Those that are asked from the customer's page, with words of one's own. */
export const ASKED_BY_HAND = ['rule', 'alarms', 'due', 'tolerance'] as const satisfies readonly QuestionAbout[];

/** Where a question stands: said by what is on record and the time. */
export const QUESTION_STATES = ['open', 'late', 'withdrawn', 'answered'] as const;
export type QuestionState = (typeof QUESTION_STATES)[number];
