export { PaperList } from './paper-list';
export { PhotoStrip } from './photo-strip';
export { sendPhotos } from './send-photos';
