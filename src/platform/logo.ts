import { eq } from 'drizzle-orm';
import type { Database, Transaction } from '@/data/connection';
import { setting } from '@/data/schema';

export interface Logo {
  mime: 'image/png' | 'image/jpeg';
  base64: string;
  /** SHA-256 of its bytes: part of its address, so that a browser keeps it as long as it likes. */
  hash: string;
}

/** The workshop's sign, which stands on its papers; null where it has none. */
export async function readLogo(db: Database | Transaction): Promise<Logo | null> {
  const [row] = await db.select().from(setting).where(eq(setting.key, 'logo'));
  const value = row?.value as Partial<Logo> | undefined;
  return value?.base64 ? (value as Logo) : null;
}

/** For a drawing. */
export const logoAddress = (logo: Logo): string => `data:${logo.mime};base64,${logo.base64}`;
