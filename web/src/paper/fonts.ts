import body from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url';
import bold from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url';
import type { FontFiles } from './pdf.ts';

const bytesAt = async (url: string): Promise<Uint8Array> =>
  new Uint8Array(await (await fetch(url)).arrayBuffer());

let files: Promise<FontFiles> | undefined;
/** The typeface of all paper, from the app's own server; read once. */
export function fontFiles(): Promise<FontFiles> {
  files ??= Promise.all([bytesAt(body), bytesAt(bold)]).then(([a, b]) => ({ body: a, bold: b }));
  return files;
}
