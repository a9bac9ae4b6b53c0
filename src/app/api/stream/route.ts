import { runChangeStream } from '@/platform/change-stream';
import { route } from '@/platform/route';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** The browser's one event stream: changes of runs, and the live frames of the lines that it asks for. */
export const GET = route(
  { permission: 'signedIn', whileLocked: true, name: '/api/stream', transaction: false },
  async ({ request, actor }) => {
    const address = new URL(request.url);
    const lines = (address.searchParams.get('lines') ?? '')
      .split(',')
      .filter((one) => UUID.test(one))
      .slice(0, 20);
    // A browser that opens a new stream itself says where it was; one that comes back by itself sends the header.
    const lastEventId = request.headers.get('last-event-id') ?? address.searchParams.get('after');
    return new Response(runChangeStream(request.signal, { lines, lastEventId, userId: actor.id }), {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
    });
  },
);
