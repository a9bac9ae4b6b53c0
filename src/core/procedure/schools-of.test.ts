import { describe, expect, it } from 'vitest';
import type { School } from './procedure';
import { samplesAsked, schoolsOf, withSchool } from './schools-of';

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
  it('samples choose the last answer whose limit they pass; what nobody told chooses nothing', () => {
    const school: School = {
      ...POINTS,
      options: [
        { id: 'two', label: 'two', reason: '', over: { ph: '0' } },
        { id: 'three', label: 'three', reason: '', over: { ph: '8' } },
      ],
      standard: 'three',
    };
    const of = (samples: object, traits = {}) => schoolsOf({ schools: [school] }, traits, samples).points;
    expect([of({ ph: '8' }), of({ ph: '8.1' }), of({}), of({ conductivity: '5000' })]).toEqual([
      'two',
      'three',
      'three',
      'three',
    ]);
    expect(of({ ph: '9' }, { schools: { points: 'two' } })).toBe('two');
    expect(samplesAsked({ schools: [school] })).toEqual(['ph']);
  });
});
