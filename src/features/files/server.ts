export { fileBytes, filesOf, keepFile, renameFile, takeFileAway, type FileShown } from './server/keep-file';
