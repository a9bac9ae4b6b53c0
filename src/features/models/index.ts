export { TakeModelsForm } from './take-models-form';
export { ModelTable } from './model-table';
export { ModelView } from './model-view';
