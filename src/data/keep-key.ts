import { createPublicKey } from 'node:crypto';
import { calculateJwkThumbprint, exportJWK } from 'jose';
import type { Client } from 'pg';

/** Puts the public half of a signing key into the record, as the owner. Its name there is its thumbprint (RFC 7638). */
export async function keepKey(client: Client, pem: string): Promise<string> {
  const { kty, crv, x } = await exportJWK(createPublicKey(pem));
  const id = await calculateJwkThumbprint({ kty: kty!, crv: crv!, x: x! });
  await client.query('insert into signing_key (id, public_key, created_at) values ($1, $2, now()) on conflict do nothing', [
    id,
    pem,
  ]);
  return id;
}
