export { changeModel, createModel, retireModel, takeBackModel } from './server/keep-model';
export { modelPage, modelsInRoom, modelsJson } from './server/list-models';
