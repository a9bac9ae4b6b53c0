export { PaperList } from './paper-list';
export { PhotoStrip } from './lazy';
export { sendPhotos } from './send-photos';
