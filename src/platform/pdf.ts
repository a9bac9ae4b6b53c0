import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

const FONTS = join(process.cwd(), 'node_modules', '@expo-google-fonts');
const sans = (weight: string) => join(FONTS, 'source-sans-3', weight, `SourceSans3_${weight}.ttf`);
const mono = (weight: string) => join(FONTS, 'jetbrains-mono', weight, `JetBrainsMono_${weight}.ttf`);

let ready = false;
function prepare(): void {
  if (ready) return;
  pdfmake.setFonts({
    Sans: {
      normal: sans('400Regular'),
      bold: sans('600SemiBold'),
      italics: sans('400Regular_Italic'),
      bolditalics: sans('600SemiBold'),
    },
    Mono: {
      normal: mono('400Regular'),
      bold: mono('600SemiBold'),
      italics: mono('400Regular'),
      bolditalics: mono('600SemiBold'),
    },
  });
  // Nothing is fetched, and nothing but the fonts is read.
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path: string) => dirname(path).startsWith(FONTS));
  ready = true;
}

/**
 * The mono joins signs such as "__", "--" and "->" into one, whose outline the library that reads it can't find: a serial, or the thumbprint of a key, that has them made the whole document impossible to draw. Nothing that is read sign by sign wants them joined anyway.
 */
function signBySign(part: unknown): void {
  if (Array.isArray(part)) return part.forEach(signBySign);
  if (part === null || typeof part !== 'object' || Object.getPrototypeOf(part) !== Object.prototype) return;
  const node = part as Record<string, unknown>;
  if (node.font === 'Mono') node.fontFeatures = { calt: false, liga: false };
  Object.values(node).forEach(signBySign);
}

/** Draws a definition as a PDF. Nothing is fetched for it, and only the house's own fonts are read. */
export async function drawDefinition(definition: TDocumentDefinitions): Promise<Buffer> {
  prepare();
  signBySign(definition);
  return pdfmake.createPdf(definition).getBuffer() as unknown as Promise<Buffer>;
}
