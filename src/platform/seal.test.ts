import { expect, it } from 'vitest';
import { seal, unseal } from './seal';

it('opens with the secret it was sealed with, and with no other; a changed one opens not at all', () => {
  const sealed = seal('pässword', 'secret of the house');
  expect(sealed).not.toContain('ssword');
  expect(unseal(sealed, 'secret of the house')).toBe('pässword');
  expect(unseal(sealed, 'another secret')).toBeNull();
  // Another sign in the middle, whatever stood there.
  const at = Math.floor(sealed.length / 2);
  const changed = sealed.slice(0, at) + (sealed[at] === 'A' ? 'B' : 'A') + sealed.slice(at + 1);
  expect(unseal(changed, 'secret of the house')).toBeNull();
  expect(unseal('', 'secret of the house')).toBeNull();
  expect(seal('pässword', 'secret of the house')).not.toBe(sealed);
});
