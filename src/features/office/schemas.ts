import * as yup from 'yup';
import { say } from '@/core/words/say';
import { LABEL_PAPERS } from '@/core/paper/label-paper';
import { DAY_ORDERS } from '@/core/quantity/read-day';
import { ROLES } from '@/core/record/event';

import '@/core/words/en/house';

export const settingsSchema = yup.object({
  name: yup.string().trim().required('The workshop’s name stands on every certificate.').max(120),
  address: yup.string().trim().max(200).default(''),
  place: yup.string().trim().max(120).default(''),
  contact: yup.string().trim().max(120).default(''),
  annexBudgets: yup.boolean().default(false),
  annexTraces: yup.boolean().default(false),
  mailCertificates: yup.boolean().default(true),
  zone: yup
    .string()
    .required()
    .test('zone', 'This is no time zone, such as Europe/Berlin.', (value) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: value });
        return true;
      } catch {
        return false;
      }
    }),
  mailFrom: yup.string().trim().required('Reminders need a sender.').email('This is no mail address.'),
  replyTo: yup.string().trim().email('This is no mail address.').max(200).default(''),
  places: yup.number().typeError('A number.').integer('Whole places.').min(1).max(24).required(),
  secondPlace: yup
    .string()
    .trim()
    .max(120)
    .default('')
    .test('named', say({ code: 'settings.secondUnnamed' }), function (value) {
      return Boolean(value) || !((this.parent as { secondFrom?: number }).secondFrom ?? 0);
    }),
  secondFrom: yup
    .number()
    .typeError('A number.')
    .integer('Whole places.')
    .min(0)
    .default(0)
    .test('there', say({ code: 'settings.secondFromWhere' }), function (value) {
      const { secondPlace, places } = this.parent as { secondPlace?: string; places?: number };
      return secondPlace?.trim() ? value >= 2 && value <= (places ?? 0) : value === 0;
    }),
  samePersonApproves: yup.boolean().default(false),
  worksWatched: yup.boolean().default(false),
  administratorSigns: yup.boolean().default(true),
  secondFactorRoles: yup.array(yup.string().oneOf(ROLES).required()).default([]),
  lockAfterMinutes: yup.number().typeError('A number.').integer('Whole minutes.').min(0).max(120).required(),
  remindByItself: yup.boolean().default(true),
  remindHour: yup.number().typeError('A number.').integer('Whole hours.').min(0).max(23).default(7),
  weekInstruments: yup.number().typeError('A number.').integer('Whole instruments.').min(0).max(5000).default(0),
  weekHours: yup.number().typeError('A number.').min(0).max(5000).default(0),
  foundWithinPercent: yup.number().typeError('A number.').min(50).max(99.5).default(90),
  remindAheadDays: yup.number().typeError('A number.').integer().min(1).max(180).required(),
  currency: yup
    .string()
    .trim()
    .matches(/^[A-Z]{3}$/, 'Three capital letters, such as EUR.')
    .default('EUR'),
  dayOrder: yup.string().oneOf(DAY_ORDERS).default('dayFirst'),
  labelPaper: yup.string().oneOf(LABEL_PAPERS).default('62x29'),
  remindAfterDays: yup.number().typeError('A number.').integer().min(1).max(180).required(),
});
export const userSchema = yup.object({
  name: yup.string().trim().required('The name stands on records.').max(80),
  email: yup.string().trim().required('An address to sign in with.').email('This is no mail address.'),
  role: yup.string().oneOf(ROLES).required(),
});
export const correctPersonSchema = userSchema.omit(['role']).shape({ userId: yup.string().required() });
export const activeSchema = yup.object({ userId: yup.string().required(), active: yup.boolean().required() });
export const personSchema = yup.object({ userId: yup.string().required() });
export const roleSchema = yup.object({ userId: yup.string().required(), role: yup.string().oneOf(ROLES).required() });
export const waySchema = yup.object({
  modelId: yup.string().uuid().required(),
  school: yup.string().max(40).required(),
  option: yup.string().max(40).required(),
});

const words = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
/** That the installation was tried. */
export const installationSchema = yup.object({
  tried: words(2000).required('Say what was tried.').min(10, 'Say what was tried, and against what.'),
  result: words(2000).required('Say what came of it.'),
  checkedBy: words(120).required('Say who tried it.'),
  checkedOn: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'A day.')
    .required('Say when.'),
});
export const withdrawInstallationSchema = yup.object({
  checkId: yup.string().uuid().required(),
  why: words(300).required('Say in a few words why.').min(3, 'Say in a few words why.'),
});
