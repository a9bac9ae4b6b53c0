import { IncomingMessage } from 'node:http';
import type { Socket } from 'node:net';
import { describe, expect, it } from 'vitest';
import { networkOf, peerAddressBy } from './peer-address';

const asked = (remoteAddress: string, forwarded?: string) =>
  Object.assign(new IncomingMessage({ remoteAddress } as Socket), {
    headers: forwarded === undefined ? {} : { 'x-forwarded-for': forwarded },
  });

describe('who asks', () => {
  it('is the peer of the socket, whatever it says of itself, where no proxy is trusted', () => {
    expect(peerAddressBy('')(asked('198.51.100.4', '10.0.0.1'))).toBe('198.51.100.4');
    expect(peerAddressBy('')(asked('::ffff:198.51.100.4'))).toBe('198.51.100.4');
  });
  it('is what a trusted proxy saw: the last address that is none, so what the client wrote before it counts for nothing', () => {
    const of = peerAddressBy('127.0.0.1, 10.0.0.0/8');
    expect(of(asked('127.0.0.1', '6.6.6.6, 203.0.113.9'))).toBe('203.0.113.9');
    expect(of(asked('127.0.0.1', '6.6.6.6, 203.0.113.9, 10.1.2.3'))).toBe('203.0.113.9');
    expect(of(asked('127.0.0.1'))).toBe('127.0.0.1');
    expect(of(asked('198.51.100.4', '127.0.0.1'))).toBe('198.51.100.4');
  });
  it('a range that is none is refused when it is set, not when somebody asks', () => {
    expect(() => peerAddressBy('the router')).toThrow(TypeError);
  });
  it('in IPv6 counts under its /64 (RFC 6177)', () => {
    expect(networkOf('2001:db8:1:2:aaaa::1')).toBe(networkOf('2001:db8:1:2:ffff:1:2:3'));
    expect(networkOf('2001:db8:1:2::1')).not.toBe(networkOf('2001:db8:1:3::1'));
    expect(networkOf('::1')).toBe('0:0:0:0::/64');
    expect(networkOf('203.0.113.9')).toBe('203.0.113.9');
  });
});
