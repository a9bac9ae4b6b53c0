import { publishedKeys } from '@/features/certificates/server';
import { route } from '@/platform/route';

/** The keys that this workshop's documents are checked by, old ones too (RFC 7517). */
export const GET = route({ permission: 'public', name: '/.well-known/jwks.json', transaction: false }, async () =>
  Response.json({ keys: await publishedKeys() }, { headers: { 'cache-control': 'public, max-age=3600' } }),
);
