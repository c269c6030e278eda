import { weeksInWords } from '@inner-rung/core/log';
import { formName } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { usePersonPage } from '../features/use-person.ts';
import { useShelf } from '../store/data.ts';
import { dayWords, today } from '../store/day.ts';
import { Missing } from '../ui/missing.tsx';
import { Picture } from '../ui/picture.tsx';
import { PrintHeader } from '../ui/print-header.tsx';
import { Waiting } from '../ui/shell.tsx';
import { useWeeks } from './use-weeks.ts';
import { bandChart } from './week-charts.ts';
import { WeeksTable } from './weeks-table.tsx';

/** Somebody's weeks on a page to hand to them or to whoever looks after them, in plain words. */
export default function WeeksPage() {
  const { id = '' } = useParams();
  const { library, groups } = useShelf();
  const page = usePersonPage(id, library);
  if (!library) return <Waiting />;
  if (!page)
    return <Missing here="people" title="Nobody here by that address" to="/people" way="See everybody" />;
  return <Sheet page={page} groups={groups} />;
}

function Sheet(props: {
  page: NonNullable<ReturnType<typeof usePersonPage>>;
  groups: ReturnType<typeof useShelf>['groups'];
}) {
  const { person, library } = props.page;
  const all = useWeeks(library, person.id, props.groups);
  const bands = useMemo(() => bandChart(all.weeks), [all.weeks]);
  return (
    <div className="min-h-dvh bg-base-100">
      <PrintHeader to={`/people/${person.id}/weeks`} back={`Back to ${person.name}`} />
      <main className="mx-auto max-w-3xl p-6 print:p-[14mm]">
        <h1 className="text-3xl">{person.name}: the last weeks</h1>
        <p className="quiet">{dayWords(today())}. Exercise sessions as they were recorded by the trainer.</p>
        {all.weeks.length === 0 ? (
          <p className="mt-3">No session recorded yet.</p>
        ) : (
          <>
            <ul className="mt-3 grid gap-1 text-lg">
              {weeksInWords(all.weeks, all.attendance).map((line) => (
                <li key={line}>{line}</li>
              ))}
              {all.rises.map((line) => (
                <li key={line} className="border-l-4 border-primary pl-3">
                  {line}
                </li>
              ))}
            </ul>
            <div className="mt-4 break-inside-avoid">
              <Picture make={bands} says="Minutes of work by week; the same figures stand in the table" />
            </div>
            <div className="break-inside-avoid">
              <WeeksTable weeks={all.weeks} />
            </div>
            {all.climbs.length > 0 && (
              <>
                <h2 className="mt-4 text-xl">What they do now, and what they did first</h2>
                <ul className="ml-5 list-disc">
                  {all.climbs.map(({ ladder, steps }) => {
                    const name = (rung: number) => {
                      const form = ladder.rungs[rung]!;
                      return formName(library, form.move, form.settings).toLowerCase();
                    };
                    const [first, last] = [steps[0]!, steps.at(-1)!];
                    return (
                      <li key={ladder.id}>
                        {ladder.name}: {name(last.rung)}
                        {first.rung === last.rung ? ', as at first' : `; at first ${name(first.rung)}`}
                      </li>
                    );
                  })}
                </ul>
              </>
            )}
            <p className="quiet mt-5 text-sm">
              Load is how hard a session felt on 0–10 by its minutes (Foster et al. 2001). These are a
              trainer’s notes and no medical finding; questions about health are for a doctor.
            </p>
          </>
        )}
      </main>
    </div>
  );
}
