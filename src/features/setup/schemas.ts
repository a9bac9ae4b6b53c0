import * as yup from 'yup';
import { say } from '@/core/words/say';
import { SECURITIES } from '@/platform/client/mail-securities';
import '@/core/words/en/returns';
import '@/core/words/en/setup';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const mail = text(160).email('This is no mail address.');
const isZone = (value: string | undefined): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: value });
    return Boolean(value);
  } catch {
    return false;
  }
};
const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1|\[::1\])$/;

const server = {
  host: text(200).matches(/^$|^[\w.-]+$|^\[[\da-f:]+\]$/i, say({ code: 'mailServer.hostNeeded' })),
  port: yup.number().typeError('A number.').integer('A whole number.').min(1).max(65535),
  security: yup
    .string()
    .oneOf(SECURITIES)
    .test(
      'encrypted',
      say({ code: 'mailServer.noneElsewhere' }),
      (value, { parent }) => value !== 'none' || !parent.host || LOOPBACK.test(parent.host),
    ),
  user: text(200),
  password: yup.string().max(500),
};
export const mailServerSchema = yup.object({
  host: server.host.required(say({ code: 'mailServer.hostNeeded' })),
  port: server.port.required('A number.'),
  security: server.security.required(),
  user: server.user.default(''),
  password: server.password.default(''),
});
export const tryMailSchema = mailServerSchema.shape({ to: mail.required('An address to send to.') });

/** The mailbox of returned mails. */
export const returnsSchema = mailServerSchema.shape({
  address: mail.required(say({ code: 'returns.addressNeeded' })),
});

export const TEAMS = ['alone', 'few', 'many'] as const;
export type Team = (typeof TEAMS)[number];

export const setUpSchema = yup.object({
  key: yup
    .string()
    .max(100)
    .required(say({ code: 'setup.noKey' })),
  name: text(120).required(say({ code: 'setup.nameNeeded' })),
  address: text(200).required(say({ code: 'setup.addressNeeded' })),
  place: text(120).default(''),
  contact: text(120).default(''),
  zone: yup.string().required().test('zone', 'This is no time zone, such as Europe/Berlin.', isZone),
  currency: text(3)
    .matches(/^[A-Z]{3}$/, 'Three capital letters, such as EUR.')
    .required('Three capital letters, such as EUR.'),
  team: yup.string().oneOf(TEAMS).required(),
  person: text(80).required('The name stands on records.'),
  email: mail.required('An address to sign in with.'),
  password: yup.string().max(200).required('Type a password.'),
  families: yup.array(yup.string().max(80).required()).max(60).default([]),
});
export type SetUpInput = yup.InferType<typeof setUpSchema>;
