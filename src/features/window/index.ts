export { DocumentsView } from './documents-view';
export { HistoryChart } from './history-chart';
export { OwnFeed } from './own-feed';
export { OwnBooking } from './own-booking';
export { PocketActs } from './pocket-acts';
export { MayMark, TodayView, jobOf, whyOf } from './today-view';
export { AskForLink, EnterByLink } from './way-in';
export { WindowFrame } from './window-frame';
export { ReportsPanel } from './reports-panel';
