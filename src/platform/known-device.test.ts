import { describe, expect, it } from 'vitest';
import { readDevice, writeDevice } from './known-device';

describe('a browser in which somebody signed in before', () => {
  const cookie = writeDevice('u-1', 'secret');
  it('is known by what this house wrote', () => {
    expect(readDevice(cookie, 'secret')).toMatchObject({ userId: 'u-1' });
    expect(writeDevice('u-1', 'secret')).not.toBe(cookie);
  });
  it.each([
    [undefined],
    [''],
    ['u-1'],
    [`${cookie}x`],
    [`${cookie}.more`],
    [cookie.replace(/^[^.]+/, Buffer.from('u-2').toString('base64url'))],
    [writeDevice('u-1', 'another secret')],
  ])('is not by anything else: %j', (text) => expect(readDevice(text, 'secret')).toBeNull());
});
