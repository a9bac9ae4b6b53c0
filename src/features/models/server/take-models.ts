import * as yup from 'yup';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import { need } from '@/platform/need';
import type { UseCaseContext } from '@/platform/use-case';
import { modelSchema } from '../model-schema';
import { createModel } from './keep-model';
import '@/core/words/en/models';

/** What became of one model of a file. */
export interface ModelTaken {
  model: string;
  state: 'made' | 'there' | 'misfit';
  /** Why it doesn't fit, field by field. */
  why: string[];
}

const nameOf = (given: unknown): string => {
  const { maker, name } = (given ?? {}) as { maker?: unknown; name?: unknown };
  return [maker, name].filter((part) => typeof part === 'string').join(' ') || '?';
};

/**
 * Takes models of a file in, each by itself: what fits is made, what is on record stays as it is, what doesn't fit is said. One that fails leaves nothing behind.
 * Errors: Problem (403).
 */
export async function takeModels(context: UseCaseContext, { models }: { models: unknown[] }): Promise<ModelTaken[]> {
  need(context.actor, 'bench');
  const taken: ModelTaken[] = [];
  for (const given of models) taken.push(await takeOne(context, given));
  return taken;
}

async function takeOne(context: UseCaseContext, given: unknown): Promise<ModelTaken> {
  const model = nameOf(given);
  try {
    const input = await modelSchema.validate(given, { abortEarly: false, stripUnknown: true });
    await context.tx.transaction((tx) => createModel({ ...context, tx }, input));
    return { model, state: 'made', why: [] };
  } catch (error) {
    if (error instanceof yup.ValidationError) return { model, state: 'misfit', why: error.errors.slice(0, 8) };
    if (!(error instanceof Problem)) throw error;
    if (error.status === 409) return { model, state: 'there', why: [] };
    return { model, state: 'misfit', why: Object.values(error.fields).slice(0, 8) };
  }
}

/** What a file must be before its models are looked at. */
export const modelsFileSchema = yup.object({
  schema: yup
    .string()
    .oneOf(['werkbank-models/1'], say({ code: 'models.noFile' }))
    .required(say({ code: 'models.noFile' })),
  models: yup.array(yup.mixed<object>().required()).min(1).max(500).required(),
});
