export { PracticeSheet } from './practice-door';
