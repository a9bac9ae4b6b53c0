export { FeedsView } from './feeds-view';
