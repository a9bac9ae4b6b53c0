export { BudgetsRoom } from './budgets-room';
