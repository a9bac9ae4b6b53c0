import { say } from '@/core/words/say';
import '@/core/words/en/from-paper';

/** Sends photos of a paper sheet to their run, one after the other; each is known by its SHA-256 afterwards. The first that is refused ends it with its sentence. */
export async function sendPhotos(run: string, files: readonly Blob[]): Promise<{ hashes: string[] } | { problem: string }> {
  const hashes: string[] = [];
  for (const file of files) {
    try {
      const response = await fetch(`/api/runs/${run}/photos`, { method: 'POST', body: file });
      const answer = (await response.json()) as { ok: boolean; hash?: string; message?: string };
      if (!answer.ok || !answer.hash) return { problem: answer.message ?? say({ code: 'paper.notSent' }) };
      hashes.push(answer.hash);
    } catch {
      return { problem: say({ code: 'paper.notSent' }) };
    }
  }
  return { hashes };
}
