import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import {
  AVOID_IDS,
  type Avoid,
  applyFix,
  checkLadder,
  familyOf,
  insertRung,
  type Ladder,
  type LadderFinding,
  leverWords,
  nameStep,
  removeRung,
  setHeight,
  shiftRung,
  splitLadder,
} from '@inner-rung/core/ladder';

import { draftBranch, freshId, type Proposal } from '@inner-rung/core/propose';
import { formName } from '@inner-rung/core/words';
import { Archive, Image as ImageIcon, Plus } from 'lucide-react';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { MovePicker } from '../plan/move-picker.tsx';
import { useOwn, useShelf } from '../store/data.ts';
import { changes } from '../store/index.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Findings } from './findings.tsx';
import { PART_WORD, partsOf } from './part-bars.tsx';
import { Proposals, type Spot } from './proposals.tsx';
import { standingOn } from './rung-look.ts';
import { RungPanel } from './rung-panel.tsx';
import { RungRow } from './rung-row.tsx';
import { useBars } from './use-bars.ts';
import { useEdits } from './use-edits.ts';

const PushChart = lazy(() => import('./push-chart.tsx'));

/** The workbench: one ladder upright, what a coach would say of it beside the rungs, proposals in the gaps. */
export default function LadderScreen() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const { library, people, rooms, failed } = useShelf();
  const { reference } = useOwn();
  const edits = useEdits(reference, library);
  const [spot, setSpot] = useState<Spot | null>(null);
  const [searching, setSearching] = useState<number | null>(null);
  const person = people.find((p) => p.id === search.get('for')) ?? null;
  const room = rooms.find((r) => r.id === search.get('in')) ?? rooms[0] ?? null;
  const bars = useBars(library, person, room);
  const ladder = library?.ladder(id) ?? null;
  const findings = useMemo(() => (library && ladder ? checkLadder(library, ladder) : []), [library, ladder]);
  const asked = Number(search.get('rung') ?? Number.NaN) - 1;
  const chosen = ladder
    ? Math.max(
        0,
        Math.min(ladder.rungs.length - 1, Number.isInteger(asked) ? asked : ladder.rungs.length - 1),
      )
    : 0;
  const choose = (rung: number) => {
    const next = new URLSearchParams(search);
    next.set('rung', String(rung + 1));
    setSearch(next, { replace: true });
  };
  const count = ladder?.rungs.length ?? 0;
  const shift = (by: -1 | 1) => {
    if (!library || !ladder || chosen + by < 0 || chosen + by >= count) return;
    edits.keep('Move a rung', [shiftRung(library, ladder, chosen, chosen + by)]);
    choose(chosen + by);
  };
  const remove = () => {
    if (!library || !ladder || count < 2) return;
    edits.keep('Take out a rung', [removeRung(library, ladder, chosen)]);
    choose(Math.max(0, chosen - 1));
  };
  const free = { enabled: searching === null };
  useHotkeys('up', () => choose(Math.min(count - 1, chosen + 1)), { ...free, preventDefault: true }, [
    chosen,
    count,
  ]);
  useHotkeys('down', () => choose(Math.max(0, chosen - 1)), { ...free, preventDefault: true }, [
    chosen,
    count,
  ]);
  useHotkeys('alt+up', () => shift(1), { ...free, preventDefault: true }, [chosen, ladder]);
  useHotkeys('alt+down', () => shift(-1), { ...free, preventDefault: true }, [chosen, ladder]);
  useHotkeys('delete', remove, free, [chosen, ladder]);
  useHotkeys(
    'n',
    () => chosen > 0 && setSpot({ at: 'between', above: chosen }),
    { ...free, preventDefault: true },
    [chosen],
  );
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  if (failed) return <ServerAway />;
  if (!library || !reference) return <Waiting />;
  if (!ladder) return <NoSuchLadder />;

  const parts = partsOf(library, ladder, 6);
  const family = familyOf(library, ladder);
  const change = edits.change('ladder', ladder.id);
  const ids = ladder.rungs.map((rung, i) => `${i}:${rung.move}:${rung.settings?.surfaceCm ?? ''}`);
  const about = (rung: number | null) => findings.filter((f) => f.rung === rung);
  const keep = (says: string, next: Ladder) => edits.keep(says, [next]);

  const take = (proposal: Proposal, at: number, edit: boolean) => {
    const move = proposal.known
      ? proposal.move
      : { ...proposal.move, id: freshId(library, proposal.move.name) };
    const made = proposal.known ? [] : [{ move, demand: proposal.demand }];
    const form = {
      move: move.id,
      ...(proposal.settings ? { settings: proposal.settings } : {}),
      ...(proposal.pulledFrom === 'below' ? { levers: [...proposal.levers] } : {}),
    };
    edits.keep(`Add ${move.name}`, [insertRung(library, ladder, at, form)], made);
    setSpot(null);
    choose(at);
    if (edit) void navigate(`/moves/${move.id}/edit`);
  };
  const addBranch = (avoids: Avoid) => {
    const draft = draftBranch(library, ladder, avoids);
    if (!draft) return;
    edits.keep(`Branch without ${avoids}`, draft.ladders, draft.moves);
    void navigate(`/ladders/${draft.ladders[0]!.id}`);
  };
  const fix = (finding: LadderFinding) => {
    if (!finding.fix) return;
    const next = applyFix(library, ladder, finding.fix);
    if (next) return keep(finding.fix.label, next);
    if (finding.fix.do === 'fill') setSpot({ at: 'between', above: finding.fix.rung });
    else if (finding.fix.do === 'below' || finding.fix.do === 'above') setSpot({ at: finding.fix.do });
    else if (finding.fix.do === 'branch') addBranch(finding.fix.avoids);
  };
  const place = (s: Spot): number =>
    s.at === 'between' ? s.above : s.at === 'sideways' ? s.rung + 1 : s.at === 'above' ? count : 0;
  const proposals = (s: Spot) => (
    <Proposals
      library={library}
      ladder={ladder}
      spot={s}
      onTake={(proposal, edit) => take(proposal, place(s), edit)}
      onSearch={() => setSearching(place(s))}
      onClose={() => setSpot(null)}
    />
  );
  const isOpen = (s: Spot) => JSON.stringify(spot) === JSON.stringify(s);
  const end = (s: Spot & { at: 'above' | 'below' }) =>
    isOpen(s) ? (
      proposals(s)
    ) : (
      <button
        type="button"
        className="btn btn-ghost btn-sm touch w-full justify-start"
        onClick={() => setSpot(s)}
      >
        <Plus size={17} aria-hidden /> {s.at === 'above' ? 'A rung above' : 'A rung below'}
      </button>
    );

  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <h1 className="sr-only">{ladder.name}</h1>
          <input
            aria-label="Name of the ladder"
            className="display min-w-0 flex-1 basis-64 rounded bg-transparent px-1 text-3xl hover:bg-base-200"
            value={ladder.name}
            maxLength={80}
            onChange={(event) => {
              if (event.target.value.trim().length > 1)
                keep('Rename the ladder…', { ...ladder, name: event.target.value });
            }}
          />
          <SaveLine shelf={changes} />
          {change && (
            <Link to={`/yours#${change.id}`} className="btn btn-sm touch">
              {change.was ? 'Changed by you: compare' : 'Yours'}
            </Link>
          )}
          <button
            type="button"
            className="btn btn-ghost btn-sm touch"
            onClick={() => {
              edits.putAway(ladder);
              void navigate('/ladders');
            }}
          >
            <Archive size={17} aria-hidden /> Put away
          </button>
          <Link to={`/ladders/${ladder.id}/poster`} className="btn btn-ghost btn-sm touch">
            <ImageIcon size={17} aria-hidden /> Poster
          </Link>
        </div>
        <p className="quiet px-1">
          {ladder.intent} Climbs in {ladder.measures.map((key) => PART_WORD[key]).join(' and ')}
          {ladder.avoids ? `; avoids ${ladder.avoids} at every rung` : ''}.
        </p>
        <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 md:flex-nowrap md:items-start">
          <nav
            aria-label="Branches"
            className="flex min-w-0 basis-full items-center gap-1 overflow-x-auto p-0.5 md:flex-1 md:flex-wrap"
          >
            {family.map((l) => (
              <Link
                key={l.id}
                to={`/ladders/${l.id}?${search}`}
                aria-current={l.id === ladder.id ? 'page' : undefined}
                className={`btn btn-sm touch shrink-0 ${l.id === ladder.id ? 'btn-neutral' : 'btn-ghost'}`}
              >
                {l.branchOf.length === 0 ? l.name : l.avoids ? `without ${l.avoids}` : l.name}
              </Link>
            ))}
            {ladder.branchOf.length === 0 && (
              <select
                aria-label="Draft a branch that avoids something"
                className="select select-sm touch w-44 shrink-0"
                value=""
                onChange={(event) => event.target.value && addBranch(event.target.value as Avoid)}
              >
                <option value="">New branch without…</option>
                {AVOID_IDS.filter((avoid) => !family.some((l) => l.avoids === avoid)).map((avoid) => (
                  <option key={avoid} value={avoid}>
                    {avoid}
                  </option>
                ))}
              </select>
            )}
          </nav>
          <label className="flex shrink-0 items-center gap-2">
            <span className="quiet text-sm">For</span>
            <select
              className="select select-sm touch w-36"
              value={person?.id ?? ''}
              onChange={(event) => {
                const next = new URLSearchParams(search);
                if (event.target.value) next.set('for', event.target.value);
                else next.delete('for');
                setSearch(next, { replace: true });
              }}
            >
              <option value="">anybody</option>
              {people.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
        </div>
        <Findings findings={about(null)} onFix={fix} />

        <div className="mt-2 grid gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
          <section aria-label="The ladder, top rung first">
            <div className="mr-2 hidden justify-end gap-x-1.5 text-xs sm:flex" aria-hidden>
              {parts.map((key) => (
                <span
                  key={key}
                  className={`w-[2.9rem] ${ladder.measures.includes(key) ? 'font-bold' : 'quiet'}`}
                >
                  {PART_WORD[key]}
                </span>
              ))}
            </div>
            {end({ at: 'above' })}
            <DndContext
              sensors={sensors}
              collisionDetection={closestCenter}
              onDragEnd={({ active, over }) => {
                const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over?.id))];
                if (from < 0 || to < 0 || from === to) return;
                keep('Move a rung', shiftRung(library, ladder, from, to));
                choose(to);
              }}
            >
              <SortableContext items={[...ids].reverse()} strategy={verticalListSortingStrategy}>
                <ol
                  reversed
                  className="border-x-[6px] border-base-content/80"
                  aria-label={`${ladder.name}, rungs`}
                >
                  {ladder.rungs
                    .map((rung, i) => ({ rung, i }))
                    .reverse()
                    .map(({ rung, i }) => (
                      <li key={ids[i]}>
                        {isOpen({ at: 'sideways', rung: i }) && proposals({ at: 'sideways', rung: i })}
                        <RungRow
                          id={ids[i]!}
                          rung={rung}
                          index={i}
                          ladder={ladder}
                          library={library}
                          parts={parts}
                          chosen={i === chosen}
                          bars={person ? (bars.get(`${ladder.id}/${i}`) ?? []) : []}
                          people={standingOn(people, ladder.id, rung)}
                          onChoose={() => choose(i)}
                        />
                        <div className="px-2">
                          <Findings findings={about(i)} onFix={fix} />
                        </div>
                        {i > 0 &&
                          (isOpen({ at: 'between', above: i }) ? (
                            <div className="px-2">{proposals({ at: 'between', above: i })}</div>
                          ) : (
                            <button
                              type="button"
                              className="quiet touch flex w-full items-center gap-2 px-3 text-left text-sm hover:bg-base-200"
                              onClick={() => setSpot({ at: 'between', above: i })}
                              aria-label={`Find a rung between ${formName(library, ladder.rungs[i - 1]!.move)} and ${formName(library, rung.move)}`}
                            >
                              <span className="min-w-0 flex-1">
                                ↑ {leverWords(rung.levers, library.move(rung.move)).join(' · ')}
                                {rung.step && `: ${rung.step}`}
                              </span>
                              <Plus size={17} aria-hidden />
                            </button>
                          ))}
                      </li>
                    ))}
                </ol>
              </SortableContext>
            </DndContext>
            {end({ at: 'below' })}
            <p className="quiet mt-2 hidden text-sm lg:block">
              ↑ ↓ choose · Alt ↑ ↓ move · Delete takes out · N finds a rung below · Ctrl Z takes back
            </p>
          </section>
          <aside className="lg:sticky lg:top-3 lg:self-start">
            <RungPanel
              ladder={ladder}
              library={library}
              rung={chosen}
              parts={parts}
              onLevers={(levers) => keep('Name the lever', nameStep(ladder, chosen, levers))}
              onHeight={(cm) => keep('Set the height…', setHeight(ladder, chosen, cm))}
              onShift={shift}
              onRemove={remove}
              onSplit={() => {
                const [lower, upper] = splitLadder(
                  library,
                  ladder,
                  chosen,
                  freshId(library, `${ladder.id} upper`),
                );
                edits.keep('Split the ladder', [lower, upper]);
              }}
              onSideways={() => setSpot({ at: 'sideways', rung: chosen })}
            />
            {ladder.rungs.some((rung) => library.move(rung.move)?.surface?.law === 'push-hands') && (
              <Suspense fallback={null}>
                <PushChart library={library} ladder={ladder} room={room} />
              </Suspense>
            )}
          </aside>
        </div>
      </main>
      {searching !== null && (
        <MovePicker
          library={library}
          title="Put a move on the ladder"
          onClose={() => setSearching(null)}
          onPick={(move) => {
            edits.keep(`Add ${library.move(move)?.name ?? move}`, [
              insertRung(library, ladder, searching, { move }),
            ]);
            choose(searching);
            setSearching(null);
            setSpot(null);
          }}
        />
      )}
    </div>
  );
}

function NoSuchLadder() {
  return (
    <div>
      <PartsHeader here="ladders" />
      <main className="p-6">
        <h1 className="text-3xl">No such ladder</h1>
        <p className="quiet mt-1">It may have been put away, or taken out of the library.</p>
        <Link to="/ladders" className="btn btn-primary touch mt-4">
          See all ladders
        </Link>{' '}
        <Link to="/yours" className="btn touch mt-4">
          See what is put away
        </Link>
      </main>
    </div>
  );
}
