export { Gateway } from './server/gateway';
export { reportLine, reportSchema, type LineReport } from './server/report-line';
export { closeSilentBrowsers } from './server/write-line';
export { giveUpLease, holdLease, LEASE_SECONDS } from './server/lease';
export { allLines, benchLines, framesAfter, lineOf, type ListedLine, type LineView, type LiveRow } from './server/find-lines';
export { askPanel, panelSchema, type PanelAsk } from './server/panel';
export { heldByOther, holdHand, type Hand } from './server/hand';
export { keepTrace, readTrace, wasShown, MOST_FRAMES, type TraceDocument } from './server/trace';
export { addLine, changeLine, lineSchema, removeLine } from './server/change-lines';
