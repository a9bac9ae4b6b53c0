'use server';
import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/server';
import { after } from 'next/server';
import { action } from '@/platform/action';
import {
  answeredKeySchema,
  codeSchema,
  forgottenSchema,
  keyIdSchema,
  linkPasswordSchema,
  madeKeySchema,
  nothingSchema,
  ownPasswordSchema,
  pinSchema,
  sessionSchema,
  signInSchema,
  sureSchema,
} from './schemas';
import { sendPasswordLink, setPasswordByLink } from './server/forgotten';
import { changeOwnPassword } from './server/own-password';
import { addPasskey, askForPasskey, askPasskey, dropPasskey } from './server/passkeys';
import { beginSecondFactor, confirmSecondFactor, endSecondFactor, renewRecoveryCodes } from './server/second-factor';
import { endSession } from './server/sessions';
import { signIn, signInWithCode, signInWithPasskey, signOut, signOutEverywhere } from './server/sign-in';
import { dropUnlock, makeBadge, setPin } from './server/unlock';

/** The sign-in library takes connections of its own: nothing of it runs inside a transaction. */
const AT_THE_DOOR = { permission: 'public', audit: 'none', transaction: false } as const;
/** What somebody sets up of their own way in; possible before the second factor that is asked of them. */
const OWN = { permission: 'signedIn', withoutFactor: true } as const;
const OWN_ALONE = { ...OWN, audit: 'none', transaction: false } as const;

export const signInAction = action({ ...AT_THE_DOOR, name: 'signIn', schema: signInSchema }, signIn);
export const signInCodeAction = action({ ...AT_THE_DOOR, name: 'signInCode', schema: codeSchema }, signInWithCode);
export const askPasskeyAction = action({ ...AT_THE_DOOR, name: 'askPasskey', schema: nothingSchema }, askPasskey);
export const signInPasskeyAction = action(
  { ...AT_THE_DOOR, name: 'signInPasskey', schema: answeredKeySchema },
  (context, { response }) => signInWithPasskey(context, { response: response as AuthenticationResponseJSON }),
);
/** Answered at once and alike for everybody: whether the address exists shows neither in the answer nor in its time. */
export const askPasswordLinkAction = action(
  { ...AT_THE_DOOR, name: 'askPasswordLink', schema: forgottenSchema },
  async ({ now }, input) => after(() => sendPasswordLink({ now }, input)),
);
export const setPasswordByLinkAction = action(
  { ...AT_THE_DOOR, name: 'setPasswordByLink', schema: linkPasswordSchema },
  setPasswordByLink,
);
export const signOutAction = action(
  { ...OWN, whileLocked: true, name: 'signOut', schema: nothingSchema, audit: () => '' },
  signOut,
);
export const signOutEverywhereAction = action(
  { ...OWN, whileLocked: true, name: 'signOutEverywhere', schema: nothingSchema, audit: () => '' },
  signOutEverywhere,
);

export const changeOwnPasswordAction = action(
  { ...OWN_ALONE, name: 'changeOwnPassword', schema: ownPasswordSchema },
  changeOwnPassword,
);
export const beginSecondFactorAction = action({ ...OWN_ALONE, name: 'beginSecondFactor', schema: sureSchema }, beginSecondFactor);
export const confirmSecondFactorAction = action(
  { ...OWN_ALONE, name: 'confirmSecondFactor', schema: codeSchema },
  confirmSecondFactor,
);
export const endSecondFactorAction = action({ ...OWN_ALONE, name: 'endSecondFactor', schema: sureSchema }, endSecondFactor);
export const renewRecoveryCodesAction = action(
  { ...OWN_ALONE, name: 'renewRecoveryCodes', schema: sureSchema },
  renewRecoveryCodes,
);
export const askForPasskeyAction = action({ ...OWN_ALONE, name: 'askForPasskey', schema: nothingSchema }, askForPasskey);
export const addPasskeyAction = action(
  { ...OWN_ALONE, name: 'addPasskey', schema: madeKeySchema },
  (context, { name, response }) => addPasskey(context, { name, response: response as RegistrationResponseJSON }),
);
export const dropPasskeyAction = action(
  { ...OWN, name: 'dropPasskey', schema: keyIdSchema, audit: (input) => input.id },
  dropPasskey,
);
export const setPinAction = action({ ...OWN, name: 'setPin', schema: pinSchema, audit: () => '' }, setPin);
export const makeBadgeAction = action({ ...OWN, name: 'makeBadge', schema: nothingSchema, audit: () => '' }, makeBadge);
export const dropUnlockAction = action({ ...OWN, name: 'dropUnlock', schema: nothingSchema, audit: () => '' }, dropUnlock);
export const endSessionAction = action({ ...OWN, name: 'endSession', schema: sessionSchema, audit: () => '' }, endSession);
