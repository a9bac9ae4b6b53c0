import { describe, expect, it } from 'vitest';
import type { School } from './procedure';
import { schoolsOf, withSchool } from './schools-of';

const POINTS: School = {
  id: 'points',
  label: 'Number of buffers',
  options: ['one', 'two'].map((id) => ({ id, label: id, reason: id })),
  standard: 'two',
};

describe('schools of a procedure', () => {
  it('the standard, unless the model chose another of its options', () => {
    expect(schoolsOf({ schools: [POINTS] }, { stores: 'wet' })).toEqual({ points: 'two' });
    expect(schoolsOf({ schools: [POINTS] }, { schools: { points: 'one' } })).toEqual({ points: 'one' });
    expect(schoolsOf({ schools: [POINTS] }, { schools: { points: 'seven', pointsx: 'one' } })).toEqual({ points: 'two' });
    expect(schoolsOf({}, { schools: { points: 'one' } })).toEqual({});
  });
  it('a choice replaces the one before and leaves the other traits alone', () => {
    const one = withSchool({ stores: 'wet' }, POINTS, 'one');
    expect(one).toEqual({ stores: 'wet', schools: { points: 'one' } });
    expect(withSchool(one, POINTS, 'one')).toEqual(one);
    expect(withSchool(one, POINTS, 'two')).toEqual({ stores: 'wet' });
    expect(() => withSchool(one, POINTS, 'three')).toThrow(RangeError);
  });
});
