export { ModelTable } from './model-table';
export { ModelView } from './model-view';
