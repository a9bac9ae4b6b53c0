import { benchSettling } from './bench-settling';

/** Part of npm run test:long: the populations named on the command line, a thousand instruments each. */
process.exitCode = benchSettling(process.argv.slice(2)) ? 0 : 1;
