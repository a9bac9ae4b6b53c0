import { beforeAll, describe, expect, it } from 'vitest';
import { ROLES, type Role } from '@/core/record/event';
import { isWordCode } from '@/core/words/say';
import '@/core/words/en/did';
import { allDoors } from './doors';
import { may, mayRead } from './permission';

const files = import.meta.glob<unknown>(['/src/features/**/actions.ts', '/src/app/**/page.tsx', '/src/app/**/route.ts']);
const sources = import.meta.glob<string>(
  ['/src/features/**/*.ts', '/src/features/**/*.tsx', '/src/app/**/*.ts', '/src/app/**/*.tsx'],
  {
    query: '?raw',
    import: 'default',
  },
);

beforeAll(async () => {
  for (const load of Object.values(files)) await load();
}, 60_000);

/** No use case may look at anything before it has looked at who asks. */
const untouchable = new Proxy({}, { get: () => expect.unreachable('the database was asked before the permission') }) as never;
const calledBy = async (work: (context: never, input: never) => unknown, role: string): Promise<unknown> => {
  try {
    return await work({ tx: untouchable, actor: { id: 'x', name: 'X', role }, now: new Date() } as never, {} as never);
  } catch (error) {
    return (error as { status?: number }).status ?? error;
  }
};

describe('who may what, as the code has it', () => {
  it('every door of the code is on the list: as many as are made in it', async () => {
    const made = (await Promise.all(Object.values(sources).map((load) => load())))
      .filter((source) => !source.includes("from 'vitest'"))
      .flatMap((source) => [
        ...source.matchAll(/= action\(|(?:default|GET =|POST =) (?:page|route|programRoute|windowPage|windowRoute)\(/g),
      ]);
    expect(made.length).toBeGreaterThan(130);
    expect(allDoors().length).toBe(made.length);
  });

  it('a use case refuses every role without its permission, and the public, by itself, whoever calls it', async () => {
    const asked = allDoors().filter(([, { work, permission }]) => work && permission !== 'public' && permission !== 'signedIn');
    expect(asked.length).toBeGreaterThan(50);
    const letIn: string[] = [];
    for (const [name, { work, permission }] of asked)
      for (const role of [...ROLES.filter((one) => !may(one, permission)), 'public'])
        if ((await calledBy(work!, role)) !== 403) letIn.push(`${name} as ${role}`);
    expect(letIn).toEqual([]);
  });

  it('an auditor gets through no door that changes the workshop’s records, and through every one to read', async () => {
    for (const [name, { permission, work }] of allDoors()) {
      if (!name.startsWith('action')) {
        expect(mayRead('auditor', permission), name).toBe(true);
        continue;
      }
      if (permission !== 'signedIn' || /^action find/.test(name) || OWN.includes(name.slice('action '.length))) continue;
      expect(await calledBy(work!, 'auditor'), name).toBe(403);
    }
  });

  it('a role that nobody knows gets through public doors alone', () => {
    for (const [name, { permission }] of allDoors()) expect(may('chief' as Role, permission), name).toBe(permission === 'public');
  });

  it('what is done is said in words on the audit’s page', () => {
    const silent = [
      'find',
      'dryRun',
      'tryMail',
      'tryReturns',
      'addRows',
      'judgeImport',
      'scan',
      'search',
      'customersLike',
      'askP',
      'beginSecondFactor',
      'askForPasskey',
      'signInCode',
      'signInPasskey',
      'writeModelKey',
      'keepUse',
      'keepSamples',
      'setStanding',
      'confirmRemembered',
      'recordStudy',
      'withdrawStudy',
      'stateScope',
      'endScope',
    ];
    const unsaid = allDoors()
      .map(([name]) => name)
      .filter((name) => name.startsWith('action '))
      .map((name) => name.slice('action '.length))
      .filter((name) => !silent.some((one) => name.startsWith(one)) && !isWordCode(`did.${name}`));
    expect(unsaid).toEqual([]);
  });
});

/** One's own way in, which everybody sets up; and looking. */
const OWN = [
  'signOut',
  'signOutEverywhere',
  'changeOwnPassword',
  'beginSecondFactor',
  'confirmSecondFactor',
  'endSecondFactor',
  'renewRecoveryCodes',
  'askForPasskey',
  'addPasskey',
  'dropPasskey',
  'setPin',
  'makeBadge',
  'dropUnlock',
  'endSession',
  'scan',
];
