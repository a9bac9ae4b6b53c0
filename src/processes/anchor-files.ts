import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readAnchor, type Anchor } from '@/features/office/server';

/** Where anchors lie: in the house's folder, and wherever else whoever runs it says (WERKBANK_ANCHOR_FOLDERS, separated by ":"), best on another machine. */
export function anchorFolders(): string[] {
  const more = (process.env.WERKBANK_ANCHOR_FOLDERS ?? '').split(':').filter(Boolean);
  return [join(process.env.WERKBANK_HOME ?? '.', 'anchors'), ...more];
}

/** Writes an anchor into each folder. Gives back what could not be written. */
export function keepAnchor({ content, jws }: Anchor, folders = anchorFolders()): string[] {
  return folders.flatMap((folder) => {
    try {
      mkdirSync(folder, { recursive: true, mode: 0o700 });
      writeFileSync(join(folder, `anchor-${content.at.replace(/[:.]/g, '-')}.jws`), `${jws}\n`, { mode: 0o600, flag: 'wx' });
      return [];
    } catch (error) {
      return [`${folder}: ${(error as Error).message}`];
    }
  });
}

/** The newest anchor of all folders, or null where there is none yet. Errors: Error in words, where one can't be believed. */
export async function newestAnchor(folders = anchorFolders()): Promise<Anchor | null> {
  const files = folders.flatMap((folder) => {
    try {
      return readdirSync(folder)
        .filter((name) => /^anchor-.*\.jws$/.test(name))
        .map((name) => ({ name, path: join(folder, name) }));
    } catch {
      return [];
    }
  });
  const newest = files.sort((a, b) => a.name.localeCompare(b.name)).at(-1);
  return newest ? readAnchor(readFileSync(newest.path, 'utf8')) : null;
}
