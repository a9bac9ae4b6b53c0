import * as yup from 'yup';

const password = yup.string().required('Type your password.').max(200);
const base64url = (longest: number) =>
  yup
    .string()
    .matches(/^[\w-]*$/)
    .max(longest);

export const signInSchema = yup.object({
  email: yup.string().trim().required('Type your address.').email('This is no mail address.').max(160),
  password,
});
export const nothingSchema = yup.object({});
export const codeSchema = yup.object({
  code: yup
    .string()
    .required('Type the code.')
    .matches(/^[\d\s]{6,10}$|^[\w-]{8,24}$/, 'Six digits, or a recovery code.'),
});
export const sureSchema = yup.object({ password });
export const ownPasswordSchema = yup.object({
  before: yup.string().max(200).default(''),
  password: yup.string().required('Type a new one.').max(200),
});
export const forgottenSchema = yup.object({
  email: yup.string().trim().required('Type your address.').email('This is no mail address.').max(160),
});
export const linkPasswordSchema = yup.object({
  token: base64url(64).required(),
  password: yup.string().required('Type a new one.').max(200),
});
export const pinSchema = yup.object({
  pin: yup
    .string()
    .required('Six to twelve digits.')
    .matches(/^\d{6,12}$/, 'Six to twelve digits.'),
});
export const sessionSchema = yup.object({ id: yup.string().max(80).required() });

/** What a browser hands on of an authenticator (WebAuthn Level 3, 5.1.8), around what was made or answered. What it holds is checked by the library. */
const credential = <Shape extends yup.ObjectShape>(response: Shape) =>
  yup.object({
    id: base64url(1400).required(),
    rawId: base64url(1400).required(),
    type: yup.string().oneOf(['public-key']).required(),
    clientExtensionResults: yup.object().default({}),
    authenticatorAttachment: yup.string().oneOf(['platform', 'cross-platform']),
    response: yup.object({ clientDataJSON: base64url(4000).required(), ...response }).required(),
  });
const answeredKey = credential({
  authenticatorData: base64url(4000).required(),
  signature: base64url(2000).required(),
  userHandle: base64url(200),
});
export const madeKeySchema = yup.object({
  name: yup.string().trim().required('A name, such as “blue key”.').max(60),
  response: credential({
    attestationObject: base64url(8000).required(),
    transports: yup.array(yup.string().max(20).required()).max(10),
  }).required(),
});
export const answeredKeySchema = yup.object({ response: answeredKey.required() });
export const keyIdSchema = yup.object({ id: base64url(1400).required() });

/** A person with their PIN or password, a badge alone, or a passkey alone. */
export const unlockSchema = yup.object({
  person: yup.string().max(80),
  pin: yup.string().matches(/^\d{1,12}$/, 'Digits alone.'),
  badge: yup
    .string()
    .uppercase()
    .matches(/^WB-[0-9A-HJKMNP-TV-Z]{26}$/, 'This is no badge of this house.'),
  password: yup.string().max(200),
  passkey: answeredKey.optional().default(undefined),
});
