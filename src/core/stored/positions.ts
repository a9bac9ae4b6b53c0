import * as yup from 'yup';
import { POSITION_KINDS, type Position } from '../money/position';
import { shape, storedReader } from '../stored-reader';

const MONEY = /^\d{1,9}(\.\d{1,2})?$/;
const QUANTITY = /^\d{1,6}(\.\d{1,2})?$/;
/** One line as it is typed and as it is stored: each field says by itself what it wants. */
export const POSITION = shape({
  what: yup
    .string()
    .oneOf([...POSITION_KINDS])
    .required(),
  name: yup.string().trim().min(2, 'Say what it is.').max(200, 'At most 200 signs.').required('Say what it is.'),
  partNumber: yup.string().trim().max(60).default(''),
  quantity: yup
    .string()
    .matches(QUANTITY, 'How many: 1, or 0.5 of an hour.')
    .test('some', 'More than none.', (text) => Number(text) > 0)
    .required('How many?'),
  each: yup.string().matches(MONEY, 'An amount with at most two places: 85 or 12.50.').required('What one costs.'),
});

/** Positions of an offer as they were stored, checked. Errors: RangeError. */
export const readPositions = storedReader<Position[]>('positions', yup.array(POSITION.required()).required());
