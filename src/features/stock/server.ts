export { endSpare, fitSpare, keepSpare, listSpares, putSpareBack, sparesOf, type Spare } from './server/spares';
export { changeLoan, lend, listLoans, loanOnPaper, loansOf, setForLoan, takeLoanBack, type LoanLine } from './server/loans';
