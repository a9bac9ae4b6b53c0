import * as yup from 'yup';

const id = () =>
  yup
    .string()
    .matches(/^[a-z0-9-]{3,60}$/)
    .required();
const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const why = 'Say in a few words why.';
const reason = text(300).required(why).min(3, why);

export const copySchema = yup.object({ procedureId: id(), title: text(120).required('Give the copy a name.') });
/** Read to its last part by the use case, which says what doesn’t fit. */
export const takeSchema = yup.object({ procedure: yup.mixed<object>().required('Choose a file.') });
export const keepDraftSchema = yup.object({
  procedureId: id(),
  rowVersion: yup.number().integer().min(1).required(),
  draft: yup.mixed<object>().required(),
});
export const oneSchema = yup.object({ procedureId: id() });
export const endSchema = yup.object({ procedureId: id(), why: reason, back: yup.boolean().required() });
export const recallSchema = yup.object({ procedureId: id(), why: reason, lift: yup.boolean().required() });
export const releaseSchema = yup.object({
  procedureId: id(),
  rowVersion: yup.number().integer().min(1).required(),
  note: text(500).required('Say what is new.'),
  tried: text(2000).required('Say what was tried.').min(20, 'Say on which instrument, against what.'),
  result: text(2000).required('Say what came of it.').min(10, 'Say whether it is fit for its use.'),
  validatedOn: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'A day.')
    .required('The day of the trial.'),
  validatedBy: text(120).required('Say who tried it.'),
});
