import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/jobs';

/** Tries again what was given up of a kind of job. Errors: Problem (403); (409) where nothing of it was given up. */
export async function retryJobs({ tx, actor }: UseCaseContext, { task }: { task: string }): Promise<{ jobs: number }> {
  need(actor, 'office');
  const { rows } = await tx.execute<{ jobs: number }>(sql`select retry_jobs(${task}) as jobs`);
  const jobs = rows[0]?.jobs ?? 0;
  if (jobs === 0) throw new Problem(say({ code: 'jobs.nothingGivenUp' }), {}, 409);
  return { jobs };
}
