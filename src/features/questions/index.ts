export { QuestionsPanel } from './questions-panel';
export { QuestionLines } from './question-lines';
export { AnswerSheet } from './answer-sheet';
