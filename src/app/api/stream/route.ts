import { runChangeStream } from '@/platform/change-stream';
import { route } from '@/platform/route';

/** The browser's one event stream. */
export const GET = route(
  { permission: 'signedIn', name: '/api/stream', transaction: false },
  async ({ request }) =>
    new Response(runChangeStream(request.signal), {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
    }),
);
