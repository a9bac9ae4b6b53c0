export { probeSheet, probesOnShelf, hosts, type ProbeSheet, type ProbeOnShelf } from './server/probe-sheet';
export { exchangeProbe } from './server/exchange';
