export { feedCalendar } from './server/feed-calendar';
export { allFeeds, endFeed, feedAddress, makeFeed, newSecret } from './server/keep-feed';
