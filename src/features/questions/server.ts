export { askByMail, withdrawQuestion } from './server/ask';
export { doAnswer } from './server/do-answer';
export { listQuestions, questionsCsv } from './server/list-questions';
export { questionsToAsk } from './server/to-ask';
export { giveAnswer, publicQuestion } from './server/public-question';
export { givenAnswerSchema } from './ask-schema';
