import { randomUUID } from 'node:crypto';
import { database } from '@/data/connection';
import { giveCommand } from '@/features/bench/server';
import { isRefusal } from '@/core/words/refusal';

/** Gives commands and says each one's number once it is acknowledged, until it is killed. */
const [run, actor] = [process.argv[2]!, JSON.parse(process.argv[3]!) as { id: string; name: string; role: 'technician' }];
for (let i = 0; i < 5000; i += 1) {
  const given = await database().transaction((tx) =>
    giveCommand({ tx, actor, now: new Date() }, { run, commandId: randomUUID(), command: { type: 'note', text: `note ${i}` } }),
  );
  if (!isRefusal(given)) process.stdout.write(`${given.reply.lastSeq}\n`);
}
