'use server';
import { action } from '@/platform/action';
import { changeModelSchema, endModelSchema, modelSchema } from './model-schema';
import { modelsFileSchema, takeModels } from './server/take-models';
import { changeModel, createModel, retireModel, takeBackModel } from './server/keep-model';

const permission = 'bench';

export const createModelAction = action(
  { name: 'createModel', permission, schema: modelSchema, audit: (input) => `${input.maker} ${input.name}` },
  createModel,
);
export const changeModelAction = action(
  { name: 'changeModel', permission, schema: changeModelSchema, audit: (input) => `${input.maker} ${input.name}` },
  changeModel,
);
export const retireModelAction = action(
  { name: 'retireModel', permission, schema: endModelSchema, audit: (input) => `${input.modelId}: ${input.why}` },
  retireModel,
);
export const takeBackModelAction = action(
  { name: 'takeBackModel', permission, schema: endModelSchema, audit: (input) => `${input.modelId}: ${input.why}` },
  takeBackModel,
);
export const takeModelsAction = action(
  { name: 'takeModels', permission, schema: modelsFileSchema, audit: (input) => `${input.models.length} models` },
  takeModels,
);
