import { type Page, SIZE_IDS, type SizeId } from '@inner-rung/core/paper';
import { ArrowLeft, FileDown, Printer } from 'lucide-react';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { Choice } from '../ui/choice.tsx';
import { PageView } from './page-view.tsx';
import type { FromPaper } from './paper.worker.ts';
import type { Type } from './pdf.ts';

/** What pages are measured with; null until it is here. */
export function useType(): Type | null {
  const [type, setType] = useState<Type | null>(null);
  useEffect(() => {
    void Promise.all([import('./pdf.ts'), import('./fonts.ts')]).then(async ([{ typeOf }, { fontFiles }]) =>
      setType(typeOf(await fontFiles())),
    );
  }, []);
  return type;
}

/** Which paper: all there is, or those that are said. */
export function SizeChoice(props: { size: SizeId; of?: readonly SizeId[]; onSize: (size: SizeId) => void }) {
  return (
    <Choice
      legend="Size"
      name="size"
      value={props.size}
      of={(props.of ?? SIZE_IDS).map((s) => ({ value: s, says: s }))}
      onChoose={props.onSize}
    />
  );
}

/** Pages as they print, with the ways to have them. */
export function PaperShell(props: {
  title: string;
  /** Of the file. */
  name: string;
  /** Null while they are worked out. */
  pages: readonly Page[] | null;
  /** Letters that the paper's typeface hasn't got. */
  lacks?: ((text: string) => readonly string[]) | undefined;
  back: { readonly to: string; readonly says: string };
  children: ReactNode;
}) {
  const { pages, title, lacks } = props;
  const missing = useMemo(
    () =>
      pages && lacks
        ? lacks(
            pages.flatMap((page) => page.items.flatMap((i) => (i.is === 'text' ? [i.text] : []))).join(''),
          )
        : [],
    [pages, lacks],
  );
  const none = !pages || pages.length === 0;
  usePageSize(pages?.[0] ?? null);
  return (
    <div className="min-h-dvh bg-base-200 print:bg-white">
      <header className="no-print z-10 flex flex-wrap items-end gap-x-4 gap-y-1 border-b-2 border-base-300 bg-base-100 px-4 py-2 md:sticky md:top-0">
        <Link to={props.back.to} className="btn btn-ghost btn-sm touch self-center">
          <ArrowLeft size={18} aria-hidden /> {props.back.says}
        </Link>
        <h1 className="sr-only">Paper: {title}</h1>
        {props.children}
        {/* What is asked for last stays together, whatever the line before it takes. */}
        <div className="ml-auto flex items-center gap-x-4">
          <p role="status">
            {pages
              ? none
                ? 'Nothing to print yet'
                : `${pages.length} ${pages.length === 1 ? 'page' : 'pages'}`
              : 'Working it out…'}
          </p>
          {missing.length > 0 && (
            <p role="alert" className="max-w-xs text-sm">
              The PDF has no {missing.slice(0, 6).join(' ')}: printed from here they are right.
            </p>
          )}
          <button type="button" className="btn touch" disabled={none} onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </button>
          {pages && !none && <PdfButton pages={pages} title={title} name={props.name} />}
        </div>
      </header>
      <main className="mx-auto grid max-w-6xl grid-cols-1 gap-6 p-6 md:grid-cols-2 print:block print:max-w-none print:p-0">
        {pages?.map((page, i) => (
          <PageView
            // biome-ignore lint/suspicious/noArrayIndexKey: a page is its place
            key={i}
            page={page}
            says={`Page ${i + 1}: ${page.items
              .flatMap((item) => (item.is === 'text' ? [item.text] : []))
              .slice(0, 6)
              .join(', ')}`}
          />
        ))}
      </main>
    </div>
  );
}

/** Prints on the paper that is shown: the page's size is set while it is. */
function usePageSize(page: Page | null): void {
  const width = page?.width;
  const height = page?.height;
  useEffect(() => {
    if (width === undefined || height === undefined) return;
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(`@page { size: ${width}mm ${height}mm; margin: 0; }`);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
    };
  }, [width, height]);
}

/** The pages as a file, made off the page's own thread; stopped by a tap while it is being made. */
function PdfButton(props: { pages: readonly Page[]; title: string; name: string }) {
  const [done, setDone] = useState<number | null>(null);
  const worker = useRef<Worker | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
    setDone(null);
  };
  if (done !== null)
    return (
      <button type="button" className="btn touch" onClick={stop}>
        {done} of {props.pages.length}: stop
      </button>
    );
  return (
    <button
      type="button"
      className="btn btn-primary touch"
      onClick={() => {
        setDone(0);
        const made = new Worker(new URL('./paper.worker.ts', import.meta.url), { type: 'module' });
        worker.current = made;
        made.onmessage = ({ data }: MessageEvent<FromPaper>) => {
          if (data.is === 'page') {
            setDone(data.done);
            return;
          }
          const url = URL.createObjectURL(new Blob([data.bytes as BlobPart], { type: 'application/pdf' }));
          const link = document.createElement('a');
          link.href = url;
          link.download = props.name;
          link.click();
          URL.revokeObjectURL(url);
          stop();
        };
        made.onerror = stop;
        made.postMessage({ pages: props.pages, title: props.title });
      }}
    >
      <FileDown size={18} aria-hidden /> PDF
    </button>
  );
}
