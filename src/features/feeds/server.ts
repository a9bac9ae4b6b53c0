export { feedCalendar } from './server/feed-calendar';
export { allFeeds, endFeed, feedAddress, makeFeed } from './server/keep-feed';
