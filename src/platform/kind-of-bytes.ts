const BEGINS = {
  'image/jpeg': Buffer.from([0xff, 0xd8, 0xff]),
  'image/png': Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
  'application/pdf': Buffer.from('%PDF-'),
};
export type KnownKind = keyof typeof BEGINS;

/** What a file is by its first bytes, of the kinds that are asked for; what it calls itself is not asked. Null for any other. */
export const kindOfBytes = <Kind extends KnownKind>(bytes: Buffer, kinds: readonly Kind[]): Kind | null =>
  kinds.find((kind) => bytes.subarray(0, BEGINS[kind].length).equals(BEGINS[kind])) ?? null;
