import type { Page } from '@inner-rung/core/paper';
import { fontFiles } from './fonts.ts';
import { toPdf } from './pdf.ts';

/** Pages in, a PDF out; how far it is in between. */
export type FromPaper =
  | { readonly is: 'page'; readonly done: number }
  | { readonly is: 'pdf'; readonly bytes: Uint8Array };

self.onmessage = async ({ data }: MessageEvent<{ pages: readonly Page[]; title: string }>) => {
  const bytes = await toPdf(data.pages, data.title, await fontFiles(), (done) =>
    self.postMessage({ is: 'page', done } satisfies FromPaper),
  );
  self.postMessage({ is: 'pdf', bytes } satisfies FromPaper, { transfer: [bytes.buffer] });
};
