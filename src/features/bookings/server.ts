export { bookingFields } from './booking-fields';
export {
  announce,
  cancelBooking,
  ceilingOf,
  changeBooking,
  endBooking,
  insertBooking,
  noteArrived,
  updateBooking,
  type Announced,
} from './server/keep-booking';
export {
  announcedLater,
  arrivals,
  bookable,
  bookingById,
  bookingsCsv,
  bookingsOf,
  endedLately,
  type BookingRow,
} from './server/read-bookings';
export { hoursOfModels, USUAL_HOURS } from './server/hours-of-models';
export { readLoad, visitsByWeek, WEEKS_AHEAD } from './server/read-load';
