import { randomUUID } from 'node:crypto';
import { Logger, makeWorkerUtils, run, type TaskList } from 'graphile-worker';
import { Pool } from 'pg';
import { closeDatabase, database } from '@/data/connection';
import { doAnswer } from '@/features/questions/server';
import { enqueue } from '@/platform/jobs';
import { inTurn, verdict } from './in-turn';
import { TASKS } from './jobs/tasks';

/** Time of a job: left by the house's own function and done by its task with what it is told validated, beside the bare runner that is given the same work; so many at once. */
const JOBS = 300;
const GOAL = 1.3;

const queue = new Pool({ connectionString: process.env.JOBS_DATABASE_URL, max: 5 });
const superuser = new Pool({ connectionString: process.env.SUPERUSER_DATABASE_URL, max: 2 });
const utils = await makeWorkerUtils({ pgPool: superuser });

let done = 0;
let finished: () => void = () => undefined;
const count = (): void => {
  done += 1;
  if (done === JOBS) finished();
};
/** An answer that there is none of: a look at one row, the shortest job there is. */
const tasks: TaskList = {
  customerAnswer: async (payload, helpers) => {
    await TASKS.customerAnswer!(payload, helpers);
    count();
  },
  bare: async (payload) => {
    await doAnswer(database(), (payload as { questionId: string }).questionId, new Date());
    count();
  },
};
const runner = await run({
  pgPool: queue,
  concurrency: 3,
  noHandleSignals: true,
  pollInterval: 2000,
  taskList: tasks,
  logger: new Logger(() => () => undefined),
});

async function through(leave: () => Promise<void>): Promise<void> {
  done = 0;
  const all = new Promise<void>((resolve) => (finished = resolve));
  await leave();
  await all;
}
const ours = () =>
  through(() =>
    database().transaction(async (tx) => {
      for (let at = 0; at < JOBS; at += 1)
        await enqueue(tx, 'customerAnswer', { questionId: randomUUID() }, { key: `bench-${at}` });
    }),
  );
const bare = () =>
  through(async () => {
    const client = await superuser.connect();
    await client.query('begin');
    for (let at = 0; at < JOBS; at += 1)
      await client.query(`select graphile_worker.add_job('bare', $1::json, job_key := $2)`, [
        JSON.stringify({ questionId: randomUUID() }),
        `bare-${at}`,
      ]);
    await client.query('commit');
    client.release();
  });
const [mine, theirs] = await inTurn(9, ours, bare);
console.log(
  `${JOBS} jobs left and done: ${mine!.toFixed(0)} ms, the bare runner with the same work ${theirs!.toFixed(0)} ms: ${verdict(mine! / theirs!, GOAL)}`,
);
await runner.stop();
await utils.release();
await Promise.all([queue.end(), superuser.end(), closeDatabase()]);
process.exitCode = mine! / theirs! <= GOAL ? 0 : 1;
