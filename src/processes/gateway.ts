import { closeDatabase, database } from '@/data/connection';
import { Gateway } from '@/features/lines/server';
import { metricsOf } from './metrics';

/** The instrument gateway as a process beside the web. Several may stand side by side; one of them owns the lines. */
metricsOf('gateway').listen();
const gateway = new Gateway(database());
gateway.start();
console.log(`gateway ${gateway.holder} started`);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(
    signal,
    () =>
      void gateway
        .stop()
        .then(closeDatabase)
        .then(() => process.exit(0)),
  );
