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

/** Draws a definition as a PDF. Nothing is fetched for it, and only the house's own fonts are read. */
export async function drawDefinition(definition: TDocumentDefinitions): Promise<Buffer> {
  prepare();
  return pdfmake.createPdf(definition).getBuffer() as unknown as Promise<Buffer>;
}
