import { lookup } from 'node:dns/promises';
import { BlockList, isIP } from 'node:net';

/** Never, whatever is set: link-local addresses (where machines keep what they tell their programs of themselves), groups, and no address at all. RFC 3927, RFC 4291 2.5.6, RFC 5771. */
const NEVER = ranges('169.254.0.0/16 fe80::/10 224.0.0.0/4 ff00::/8 0.0.0.0/8 ::/128 255.255.255.255/32');
/** This computer. */
const LOOPBACK = '127.0.0.0/8 ::1/128';

/** Ranges as text, "192.168.10.0/24 10.1.2.3". Errors: RangeError naming the one that is none. */
export function ranges(text: string): BlockList {
  const list = new BlockList();
  for (const range of text.split(/[\s,]+/).filter(Boolean)) {
    const [address = '', bits] = range.split('/');
    const family = isIP(address);
    const most = family === 6 ? 128 : 32;
    const length = bits === undefined ? most : Number(bits);
    if (!family || !Number.isInteger(length) || length < 0 || length > most)
      throw new RangeError(`"${range}" is no range of addresses`);
    list.addSubnet(address, length, family === 6 ? 'ipv6' : 'ipv4');
  }
  return list;
}

/** Which addresses a device may be at: this computer, and the range of WERKBANK_DEVICE_NETWORKS. */
export function deviceNetworks(stated: string = process.env.WERKBANK_DEVICE_NETWORKS ?? ''): (address: string) => boolean {
  const allowed = ranges(`${LOOPBACK} ${stated}`);
  return (address) => {
    const plain = address.replace(/^::ffff:(?=\d+\.)/i, '');
    const family = isIP(plain);
    if (!family) return false;
    const kind = family === 6 ? 'ipv6' : 'ipv4';
    return !NEVER.check(plain, kind) && allowed.check(plain, kind);
  };
}

/**
 * The address that a host stands for, when a device may be there: what is connected to is what was looked at. Errors: Error in words, where none of its addresses is allowed or the name is not known.
 */
export async function allowedAddress(host: string, may: (address: string) => boolean): Promise<string> {
  const addresses = isIP(host) ? [host] : (await lookup(host, { all: true })).map((one) => one.address);
  const found = addresses.find(may);
  if (!found) throw new Error(`${host} is not in the networks where devices may be`);
  return found;
}
