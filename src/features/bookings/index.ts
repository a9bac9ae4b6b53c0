export { ArrivalsView, BookingLine } from './arrivals-view';
export { BookingForm, type Bookable, type BookingDraft } from './booking-form';
export { AnnounceForm, ChangeForm, ForWhom } from './house-forms';
export { LoadView } from './load-view';
