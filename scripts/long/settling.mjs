// Six populations of a thousand simulated instruments each: does what is said to be still to come hold, and what gas does it take?
import { TSX } from '../lib/project.mjs';
import { runBeside } from '../lib/system.mjs';

/** Side by side on two cores, about as long: the ones that take long are spread over both. */
const LANES = [
  ['as usual', 'dead time 3 to 12 s', 'tail with the root of time'],
  ['noise three times', 'T90 30 to 60 s', 'slow part 5 to 20 %'],
];

/** Resolves to what was found, in Markdown. */
export async function settling() {
  const env = { ...process.env, N: process.env.N ?? '1000' };
  const found = await Promise.all(
    LANES.flatMap((lane) => runBeside(process.execPath, [TSX, 'src/processes/settling-trial.ts', ...lane], { env })),
  );
  return `\`\`\`\n${found.map(({ output }) => output.trimEnd()).join('\n')}\n\`\`\``;
}
