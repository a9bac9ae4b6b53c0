import type { IncomingMessage } from 'node:http';
import proxyAddr from 'proxy-addr';

/** The header in which the listener hands on who asks. Whatever a client wrote there itself is taken off before. */
export const PEER_HEADER = 'x-werkbank-peer';

/**
 * Who asks, as an address: the peer of the socket, or, where that is a trusted proxy, the last address in X-Forwarded-For that is none. `trusted` names addresses and ranges ("10.0.0.0/8", "loopback").
 * Errors: TypeError for a range that is none, when it is compiled.
 *
 * @example
 * peerAddressBy('127.0.0.1')({ socket: { remoteAddress: '127.0.0.1' }, headers: { 'x-forwarded-for': '6.6.6.6, 203.0.113.9' } }) // '203.0.113.9'
 */
export function peerAddressBy(trusted: string) {
  const ranges = trusted
    .split(/[\s,]+/)
    .map((one) => one.trim())
    .filter(Boolean);
  const trust = ranges.length ? proxyAddr.compile(ranges) : () => false;
  return (request: IncomingMessage): string => plain(proxyAddr(request, trust) ?? '');
}

/** "::ffff:127.0.0.1" is 127.0.0.1. */
const plain = (address: string): string => address.replace(/^::ffff:(?=\d+\.)/, '');

/** The network an address counts under: itself, or the /64 that one household has in IPv6 (RFC 6177). */
export function networkOf(address: string): string {
  if (!address.includes(':')) return address;
  const [head = '', tail = ''] = address.split('::');
  const [before, after] = [head.split(':').filter(Boolean), tail.split(':').filter(Boolean)];
  const whole = [...before, ...Array<string>(Math.max(0, 8 - before.length - after.length)).fill('0'), ...after];
  return `${whole
    .slice(0, 4)
    .map((part) => parseInt(part, 16).toString(16))
    .join(':')}::/64`;
}
