'use server';
import * as yup from 'yup';
import { findCustomers } from '@/features/counter/server';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import {
  backSchema,
  changeLoanSchema,
  endSpareSchema,
  forLoanSchema,
  lendSchema,
  spareSchema,
  takeBackSpareSchema,
  useSpareSchema,
} from './stock-schema';
import { changeLoan, lend, setForLoan, takeLoanBack } from './server/loans';
import { endSpare, fitSpare, keepSpare, putSpareBack } from './server/spares';

export const keepSpareAction = action(
  { name: 'keepSpare', permission: 'receive', schema: spareSchema, audit: (input) => `${input.name} ${input.serial}`.trim() },
  keepSpare,
);
export const endSpareAction = action(
  { name: 'endSpare', permission: 'receive', schema: endSpareSchema, audit: (input) => `${input.itemId}: ${input.why}` },
  endSpare,
);
export const fitSpareAction = action({ name: 'fitSpare', permission: 'bench', schema: useSpareSchema, audit: 'none' }, fitSpare);
export const putSpareBackAction = action(
  { name: 'putSpareBack', permission: 'bench', schema: takeBackSpareSchema, audit: 'none' },
  putSpareBack,
);
export const setForLoanAction = action(
  { name: 'setForLoan', permission: 'receive', schema: forLoanSchema, audit: 'none' },
  setForLoan,
);
export const lendAction = action({ name: 'lend', permission: 'receive', schema: lendSchema, audit: 'none' }, lend);
export const changeLoanAction = action(
  { name: 'changeLoan', permission: 'receive', schema: changeLoanSchema, audit: 'none' },
  changeLoan,
);
export const takeLoanBackAction = action(
  { name: 'takeLoanBack', permission: 'receive', schema: backSchema, audit: 'none' },
  takeLoanBack,
);
/** To whom something may be lent, as the name is typed. */
export const findBorrowerAction = action(
  {
    name: 'findBorrower',
    permission: 'receive',
    schema: yup.object({ text: yup.string().trim().max(80).default('') }),
    audit: 'none',
  },
  ({ tx, actor }, { text }) => {
    need(actor, 'receive');
    return findCustomers(tx, text);
  },
);
