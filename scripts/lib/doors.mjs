import { publicEnvironment } from './project.mjs';
import { answers, startScript, startWeb } from './processes.mjs';

/** Everything a house needs running before a browser comes: mail, instrument gateway, web. */
export async function openDoors(house, { outside = true } = {}) {
  const { env, smtpPort } = house;
  startScript('src/standins/mail-server.ts', { ...env, SMTP_PORT: String(smtpPort) }, { quiet: true });
  startScript('src/processes/gateway.ts', env, { quiet: true });
  startScript('src/processes/jobs.ts', { ...env, WERKBANK_REMINDERS: 'no' }, { quiet: true });
  startWeb(
    { ...env, WERKBANK_COMPRESS: 'no' },
    {
      quiet: true,
      onLine: (line) => {
        if (/"level":(50|60)/.test(line)) console.log(line);
      },
    },
  );
  if (outside && env.PUBLIC_PORT) {
    startWeb(publicEnvironment(env, house.cluster), { quiet: true });
    await answers(`${env.WERKBANK_PUBLIC_ORIGIN}/api/health`);
  }
  await answers(`${env.WERKBANK_ORIGIN}/api/health`);
}
