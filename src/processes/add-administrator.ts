import { closeDatabase, database } from '@/data/connection';
import { addUser } from '@/features/office/server';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { oneTimePassword } from '@/platform/one-time-password';

/**
 * npm run add-administrator -- "NAME" ADDRESS: the first person of a house, or the one who lets in everybody again when all administrators have gone. Whoever may run this has the house's folder anyway.
 * Prints a first password, good once, for three days.
 */
const [name, email] = process.argv.slice(2);
if (!name || !email?.includes('@')) {
  console.error('Say who: npm run add-administrator -- "NAME" ADDRESS');
  process.exit(1);
}
const password = oneTimePassword();
const actor = { id: 'console', name: 'Console', role: 'administrator' as const };
try {
  await database().transaction(async (tx) => {
    const context = { tx, actor, now: new Date() };
    await asActor(tx, actor, 'addAdministrator');
    await addUser(context, { name, email, role: 'administrator', password, once: true });
    await recordAudit(context, 'addAdministrator', `${name} ${email}`);
  });
  console.log(`${name} signs in with ${email} and this first password: ${password}`);
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
}
await closeDatabase();
