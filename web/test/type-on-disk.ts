import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import type { FontFiles } from '../src/paper/pdf.ts';

const { resolve } = createRequire(join(process.cwd(), 'web/package.json'));
const cut = (path: string) =>
  new Uint8Array(readFileSync(resolve(`@expo-google-fonts/atkinson-hyperlegible-next/${path}.ttf`)));

/** The typeface of paper as it ships, read from its package. */
export const FONTS: FontFiles = {
  body: cut('400Regular/AtkinsonHyperlegibleNext_400Regular'),
  bold: cut('700Bold/AtkinsonHyperlegibleNext_700Bold'),
};
