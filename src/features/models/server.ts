export { changeModel, createModel, retireModel, takeBackModel } from './server/keep-model';
export { takeModels } from './server/take-models';
export { MODEL_SORTS, modelPage, modelsInRoom, modelsJson, type ModelSort } from './server/list-models';
