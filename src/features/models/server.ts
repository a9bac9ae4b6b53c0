export { changeModel, createModel, retireModel, takeBackModel } from './server/keep-model';
export { takeModels } from './server/take-models';
export { modelPage, modelsInRoom, modelsJson } from './server/list-models';
