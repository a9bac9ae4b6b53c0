/**
 * The document's data in a file: a JSON as it is, or the one that a PDF of this house carries. Null where there is none. Runs in a browser and in plain Node alike.
 * Source of the form: ISO 32000-1:2008, 7.11.4 (embedded file streams); deflate by RFC 1950.
 */
export async function documentIn(bytes: Uint8Array): Promise<unknown> {
  const start = new TextDecoder('latin1').decode(bytes.subarray(0, 1024));
  if (!start.includes('%PDF-')) return parsed(new TextDecoder().decode(bytes));
  const text = new TextDecoder('latin1').decode(bytes);
  let found: unknown = null;
  for (const match of text.matchAll(/\/Type\s*\/EmbeddedFile\b/g)) {
    const dictionary = text.slice(text.lastIndexOf('obj', match.index), text.indexOf('stream', match.index));
    const begins = /stream\r?\n/.exec(text.slice(match.index));
    if (!begins) continue;
    const from = match.index + begins.index + begins[0].length;
    const ends = text.indexOf('endstream', from);
    if (ends < 0) continue;
    const raw = bytes.slice(from, ends);
    const data = /\/FlateDecode/.test(dictionary) ? await inflated(raw) : raw;
    // The last one counts, as in a PDF that was added to.
    if (data) found = parsed(new TextDecoder().decode(data)) ?? found;
  }
  return found;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Inflated bytes; what follows the end of the stream (a line feed before "endstream") is no fault. */
async function inflated(raw: Uint8Array): Promise<Uint8Array | null> {
  const chunks: Uint8Array[] = [];
  const reader = new Blob([raw as BlobPart]).stream().pipeThrough(new DecompressionStream('deflate')).getReader();
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      chunks.push(value);
    }
  } catch {
    if (chunks.length === 0) return null;
  }
  const whole = new Uint8Array(chunks.reduce((sum, one) => sum + one.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}
