import { describe, expect, it } from 'vitest';
import { allowedAddress, deviceNetworks, ranges } from './allowed-network';

describe('where a device may be', () => {
  const may = deviceNetworks('192.168.10.0/24, fd00:1::/64');
  it.each([
    ['127.0.0.1', true],
    ['::1', true],
    ['::ffff:127.0.0.1', true],
    ['192.168.10.77', true],
    ['192.168.11.1', false],
    ['fd00:1::5', true],
    ['fd00:2::5', false],
    ['169.254.169.254', false],
    ['fe80::1', false],
    ['0.0.0.0', false],
    ['224.0.0.1', false],
    ['localhost', false],
  ])('%s: %s', (address, expected) => expect(may(address)).toBe(expected));
  it('never link-local, even where everything is allowed', () => {
    const all = deviceNetworks('0.0.0.0/0 ::/0');
    expect(['169.254.1.1', 'fe80::2', '0.0.0.0', '239.1.1.1'].map(all)).toEqual([false, false, false, false]);
    expect(all('203.0.113.5')).toBe(true);
  });
  it('a name is looked up once, and what was looked at is what is connected to', async () => {
    expect(['127.0.0.1', '::1']).toContain(await allowedAddress('localhost', may));
    await expect(allowedAddress('169.254.169.254', may)).rejects.toThrow(/not in the networks/);
  });
  it('a range that is none is named', () => {
    expect(() => ranges('10.0.0.0/33')).toThrow('"10.0.0.0/33" is no range of addresses');
    expect(() => ranges('the shed')).toThrow(RangeError);
  });
});
