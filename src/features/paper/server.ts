export { askBlankSheet, drawBlankSheet, sheetJob } from './server/ask-sheet';
export { keepPhoto, photoOf, photosKept } from './server/keep-photo';
export { blankSheetPdf, modelsOnPaper, type SheetModel } from './server/blank-sheet-pdf';
