export interface Annexes {
  budgets?: boolean | undefined;
  traces?: boolean | undefined;
}
