import {
  type Measure,
  type Page,
  personCards,
  SIZE_IDS,
  type SizeId,
  stationCards,
} from '@inner-rung/core/paper';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { ArrowLeft, FileDown, Printer } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { useClass } from '../class/use-class.ts';
import { useWhoToday } from '../class/who-today.ts';
import { useOpenPlan } from '../plan/use-open-plan.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { useApp } from '../store/index.ts';
import { Choice } from '../ui/choice.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { cardsOf, stationsOf } from './class-cards.ts';
import { PageView } from './page-view.tsx';
import type { FromPaper } from './paper.worker.ts';

const WHAT = [
  { value: 'cards', says: 'a card for each' },
  { value: 'stations', says: 'a card for each station' },
] as const;
type What = (typeof WHAT)[number]['value'];
const MOST_FORMS = 3;

/** Paper for a class: seen first, then printed or as a PDF. */
export default function PaperScreen() {
  const { id = '' } = useParams();
  const { library, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const groupId = useApp((state) => state.view.group);
  const group = groups.find((g) => g.id === groupId) ?? null;
  const room = rooms.find((r) => r.id === plan?.room) ?? ROOM_EXAMPLE;
  const who = useWhoToday(id, group, people);
  const answer = useClass(library, plan, room, who.taking, MOST_FORMS, 'together');
  const [what, setWhat] = useState<What>('cards');
  const [size, setSize] = useState<SizeId>('A4');
  const [measure, setMeasure] = useState<{ readonly by: Measure } | null>(null);
  useEffect(() => {
    void import('./pdf.ts').then(async ({ metrics }) => setMeasure({ by: await metrics() }));
  }, []);
  const pages = useMemo((): readonly Page[] | null => {
    if (!library || !plan || !answer?.switches || !measure) return null;
    return what === 'cards'
      ? personCards(cardsOf(library, plan, room, answer), size, measure.by)
      : stationCards(stationsOf(library, plan, answer), size, measure.by);
  }, [library, plan, room, answer, measure, what, size]);
  usePageSize(pages?.[0] ?? null);
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  return (
    <div className="min-h-dvh bg-base-200 print:bg-white">
      <header className="no-print sticky top-0 z-10 flex flex-wrap items-end gap-x-4 gap-y-1 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/plan/${id}/class`} className="btn btn-ghost btn-sm touch self-center">
          <ArrowLeft size={18} aria-hidden /> The class
        </Link>
        <h1 className="sr-only">Paper for {plan.title}</h1>
        <Choice legend="Paper" name="what" value={what} of={WHAT} onChoose={setWhat} />
        <Choice
          legend="Size"
          name="size"
          value={size}
          of={SIZE_IDS.filter((s) => what === 'cards' || s !== 'A5').map((s) => ({ value: s, says: s }))}
          onChoose={setSize}
        />
        <p className="mr-auto self-center" role="status">
          {pages ? `${pages.length} ${pages.length === 1 ? 'page' : 'pages'}` : 'Planning the class…'}
        </p>
        <button type="button" className="btn touch" disabled={!pages} onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
        {pages && <PdfButton pages={pages} title={plan.title} name={`${id}-${what}.pdf`} />}
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
