import { describe, expect, it } from 'vitest';
import { refuseWeak } from './password-rule';

const about = ['Tide & Tolerance', 'Ilse Brandwacht', 'ilse@port-ambrel.example'];
const says = (password: string) => {
  try {
    refuseWeak(password, about);
    return 'taken';
  } catch (error) {
    return (error as Error).message;
  }
};

describe('a password', () => {
  it.each([
    'aaaaaaaaaaaa',
    'abcabcabcabc',
    '123456789012',
    'qwertyuiop[]',
    'password1234',
    'passwordpassword',
    'iloveyou1234',
    'brandwacht2026',
    'tolerance-2026',
    'P@ssw0rd1234',
  ])('%s is guessed at once', (password) => expect(says(password)).toMatch(/guess/));
  it.each(['harbour-bench-2026', 'correct horse battery', 'zYq4-7Kpw-m2Xe', 'Nebel über dem Hafen'])('%s is taken', (password) =>
    expect(says(password)).toBe('taken'),
  );
  it('a short one is said to be short', () => expect(says('x7!kQ2')).toMatch(/12 characters/));
});
