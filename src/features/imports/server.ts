export { addRows, beginImport, dropImport } from './server/keep-rows';
export { judgeImport } from './server/judge-import';
export { leaveImport, takeLeftImport } from './server/leave-import';
export { importPage, listImports } from './server/list-imports';
export { takeImport, takeImportBack, TAKE_BACK_DAYS } from './server/take-import';
