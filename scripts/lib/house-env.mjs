// What a house that works in earnest is told by its environment, read once and checked. Without any of it, it stands on this computer alone, for this computer alone.
import { isIP } from 'node:net';
import { giveUp } from './system.mjs';

const portOf = (name, usual) => {
  const port = Number(process.env[name] ?? usual);
  if (!Number.isInteger(port) || port < 1 || port > 65535) giveUp(`${name} must be a port number, got ${process.env[name]}.`);
  return port;
};
const addressOf = (name) => {
  const address = process.env[name] ?? '127.0.0.1';
  if (!isIP(address)) giveUp(`${name} must be an address of this machine, such as 127.0.0.1 or 0.0.0.0, got ${address}.`);
  return address;
};
const originOf = (name, usual) => {
  const given = process.env[name] ?? usual;
  try {
    const { origin } = new URL(given);
    if (origin !== given) throw new Error();
    return origin;
  } catch {
    return giveUp(`${name} must be what people type before the first slash, such as https://werkbank.example, got ${given}.`);
  }
};

export function houseSettings() {
  const [port, publicPort] = [portOf('PORT', 3210), portOf('PUBLIC_PORT', 3211)];
  const origin = originOf('WERKBANK_ORIGIN', `http://127.0.0.1:${port}`);
  return {
    port,
    publicPort,
    host: addressOf('WERKBANK_HOST'),
    publicHost: addressOf('WERKBANK_PUBLIC_HOST'),
    origin,
    publicOrigin: originOf('WERKBANK_PUBLIC_ORIGIN', `http://127.0.0.1:${publicPort}`),
    smtp: process.env.SMTP_URL ?? 'smtp://127.0.0.1:25',
  };
}
