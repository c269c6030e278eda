import { USUAL_LANES } from '@inner-rung/core/ask';
import { turnsShort, walkOutwards } from '@inner-rung/core/class';
import { FORMATS, type Format, formatEntry, formatWords } from '@inner-rung/core/clock';
import { everybodyIn, LEVELS, outlookOf, shortName, standsFor } from '@inner-rung/core/person';
import { blocksOf, notesOf } from '@inner-rung/core/read';
import { check, type Finding } from '@inner-rung/core/review';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { factsIn, type Plan, type Role, restTiers, roleOf, withClimb } from '@inner-rung/core/session';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { engine } from '../engine/index.ts';
import { LoadLine } from '../rooms/ways.tsx';
import { WaysFold } from '../rooms/ways-fold.tsx';
import { tokenOf, useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { useApp, useSend } from '../store/index.ts';
import { planEvents, planHistory } from '../store/plan-slice.ts';
import { letterKeysSet, stationPicked, themeChosen, viewChosen } from '../store/view-slice.ts';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { blockPicture } from './block-picture.ts';
import { AddBlock, BlockStrip } from './block-strip.tsx';
import { ClockBar } from './clock-bar.tsx';
import { DialSet, KeepSelect } from './dials.tsx';
import { FindingsList } from './findings-list.tsx';
import { FitFold } from './fit-fold.tsx';
import { Floor } from './floor.tsx';
import { KeysDialog } from './keys.tsx';
import { LaneSheet } from './lane-sheet.tsx';
import { MoreDialog } from './more-dialog.tsx';
import { MovePicker } from './move-picker.tsx';
import { OrderDialog } from './order-dialog.tsx';
import { PasteDialog } from './paste.tsx';
import { PhoneList } from './phone-list.tsx';
import { PlanHeader } from './plan-header.tsx';
import { Ribbon } from './ribbon.tsx';
import { ElsewhereBanner } from './save-state.tsx';
import { Sheet } from './sheet.tsx';
import { StationPanel } from './station-panel.tsx';
import { SumsDialog } from './sums-dialog.tsx';
import { useOpenPlan } from './use-open-plan.ts';
import { useOwnWords } from './use-own-words.ts';
import { useScaled } from './use-scaled.ts';
import { useWhoChoice, WhoBar } from './who-bar.tsx';
import { WhoLine } from './who-line.tsx';

// What is dragged about is big, and seldom the first thing looked at.
const Builder = lazy(() => import('./builder.tsx').then((m) => ({ default: m.Builder })));

const VIEWS = ['floor', 'sheet', 'build'] as const;
const VIEW_WORDS = { floor: 'Floor', sheet: 'Sheet', build: 'Build' } as const;
type Open = 'order' | 'move' | 'add' | 'paste' | 'keys' | 'sums' | 'more' | null;

export default function PlanScreen() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const send = useSend();
  const { library: shipped, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const view = useApp((state) => state.view);
  const canUndo = useApp((state) => state.plan.past.length > 0);
  const canRedo = useApp((state) => state.plan.future.length > 0);
  const [search, setSearch] = useSearchParams();
  const [open, setOpen] = useState<Open>(null);
  const [lanes, setLanes] = useState(false);
  const [panel, setPanel] = useState<'floor' | 'dials' | 'station'>('floor');
  const group = groups.find((g) => g.id === view.group) ?? null;
  const offered = useMemo(() => (group ? everybodyIn(group, people) : people), [group, people]);
  const person =
    offered.find((p) => p.id === plan?.person) ?? people.find((p) => p.id === plan?.person) ?? null;
  const outlook = useMemo(() => (person ? outlookOf(person, today()) : null), [person]);
  const room = rooms.find((r) => r.id === plan?.room) ?? null;
  // Everybody’s line, where a class is looked at and not one person alone.
  const others = useMemo(() => (group ? offered.filter((p) => p !== person) : []), [group, offered, person]);
  const picture = useScaled(plan, shipped, person, room, others);

  // Another session is looked at afresh.
  useEffect(() => {
    if (id) send(stationPicked({ block: null, station: 0 }));
  }, [id, send]);

  const choose = useWhoChoice(plan, library !== null);

  // A session opens on its first circuit, not on its warm-up.
  const circuit = plan
    ? Math.max(
        0,
        plan.blocks.findIndex((b) => roleOf(b) === 'circuit'),
      )
    : 0;
  const askedBlock = Number(search.get('block') ?? Number.NaN) - 1;
  const openBlock = Math.max(
    0,
    Math.min(
      (plan?.blocks.length ?? 1) - 1,
      Number.isInteger(askedBlock) ? askedBlock : (view.block ?? circuit),
    ),
  );
  const block = plan?.blocks[openBlock];
  const count = block?.stations.length ?? 0;
  const asked = Number(search.get('station') ?? Number.NaN) - 1;
  const station = Math.max(0, Math.min(count - 1, Number.isInteger(asked) ? asked : view.station));
  const several = (plan?.blocks.length ?? 1) > 1;
  const pickIn = (block: number, to: number) => {
    const next = Math.max(0, to);
    send(stationPicked({ block, station: next }));
    setSearch(
      { ...(several ? { block: String(block + 1) } : {}), station: String(next + 1) },
      { replace: true },
    );
  };
  const pick = (to: number) => pickIn(openBlock, Math.min(count - 1, to));
  const pickOnPhone = (to: number) => {
    pick(to);
    setPanel('station');
  };

  const undo = () => canUndo && send(planHistory.undo());
  const redo = () => canRedo && send(planHistory.redo());
  const dial = (name: string) => document.querySelector<HTMLInputElement>(`[data-dial="${name}"]`)?.focus();
  // Letters work wherever nothing is being typed: on a dial or a name as much as on the page.
  const letters = {
    enabled: view.letterKeys && open === null,
    enableOnFormTags: ['input'] as const,
    ignoreEventWhen: (event: KeyboardEvent) =>
      event.target instanceof HTMLInputElement && !['radio', 'range', 'checkbox'].includes(event.target.type),
  };
  const always = { preventDefault: true, enableOnFormTags: true, enabled: open === null } as const;
  useHotkeys('mod+z', undo, always, [canUndo]);
  useHotkeys('mod+shift+z, mod+y', redo, always, [canRedo]);
  useHotkeys('left', () => pick(station - 1), { enabled: open === null }, [station, count, openBlock]);
  useHotkeys('right', () => pick(station + 1), { enabled: open === null }, [station, count]);
  const shift = (by: -1 | 1) => {
    if (station + by < 0 || station + by >= count) return;
    const at = { block: openBlock, station };
    send(planEvents.stationMoved({ from: at, to: { block: openBlock, station: station + by } }));
    pick(station + by);
  };
  useHotkeys('shift+left', () => shift(-1), { enabled: open === null }, [station, count]);
  useHotkeys('shift+right', () => shift(1), { enabled: open === null }, [station, count]);
  useHotkeys('m', () => setOpen('move'), { ...letters, preventDefault: true });
  useHotkeys('a', () => setOpen('add'), { ...letters, preventDefault: true });
  useHotkeys('p', () => setOpen('paste'), { ...letters, preventDefault: true });
  useHotkeys('v', () => send(viewChosen(VIEWS[(VIEWS.indexOf(view.shows) + 1) % VIEWS.length]!)), letters, [
    view.shows,
  ]);
  useHotkeys('s', () => setOpen('sums'), { ...letters, preventDefault: true });
  useHotkeys('l', () => setLanes((now) => !now), letters);
  useHotkeys('t', () => send(themeChosen(view.theme === 'paper' ? 'hall' : 'paper')), letters, [view.theme]);
  useHotkeys('c', () => void navigate(`/plan/${id}/card`), letters, [id]);
  useHotkeys('i', () => dial('impact'), letters);
  useHotkeys('e', () => dial('effort'), letters);
  useHotkeys('b', () => dial('ability'), letters);
  useHotkeys(
    'w',
    () => document.getElementById('who')?.querySelector<HTMLInputElement>('input:checked')?.focus(),
    letters,
  );
  useHotkeys('*', (event) => event.key === '?' && setOpen('keys'), letters);

  // Only a group that is chosen says how many would want the same thing at once.
  const short = useMemo(() => {
    if (!library || !group || !block || !room || block.stations.length === 0) return undefined;
    const many = offered.reduce((sum, p) => sum + (standsFor(p) ?? 1), 0);
    return { block: openBlock, ...turnsShort(library, room, block, many) };
  }, [library, group, block, room, offered, openBlock]);

  const findings = useMemo(
    () =>
      picture && library
        ? check({
            library,
            session: picture.plan,
            version: picture.version,
            sums: picture.sums,
            limits: outlook?.limits ?? [],
            shortOfThings: short,
          })
        : [],
    [picture, library, outlook, short],
  );

  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library || !picture || picture.plan.id !== plan.id) return <Waiting />;

  const who = person?.name ?? 'Lane';
  const firstName = person ? shortName(person) : 'Lane';
  const token = person ? tokenOf(person) : 'L';
  const { sums } = picture;
  const shownBlock = Math.min(openBlock, picture.plan.blocks.length - 1);
  const shown = blockPicture(picture, shownBlock);
  const safeStation = Math.max(0, Math.min(station, shown.block.stations.length - 1));
  const here = { block: shownBlock, station: safeStation };
  const words = formatWords(shown.block.format);
  const setFormat = (format: Format) => {
    // From what is in the store: the picture may lag behind a quick hand.
    const live = plan.blocks[shownBlock]!;
    const becomes = withClimb(library, { ...live, format });
    if (formatEntry(format.kind).climbs || formatEntry(live.format.kind).climbs)
      send(planEvents.blockSet({ block: shownBlock, becomes }));
    else send(planEvents.formatChanged({ block: shownBlock, format }));
  };
  const around = (role: 'warm-up' | 'cool-down', minutes: number | null = null) =>
    engine.once(library, 'around', {
      role,
      session: plan,
      room,
      people: person ? [person] : [...offered],
      on: today(),
      minutes,
    });
  const addBlock = (role: Role) => {
    const at = role === 'warm-up' ? 0 : role === 'cool-down' ? plan.blocks.length : shownBlock + 1;
    if (role === 'warm-up' || role === 'cool-down') {
      void around(role).then((made) => {
        const had = plan.blocks.findIndex((b) => b.role === role);
        if (had >= 0)
          send(planEvents.blockSet({ block: had, becomes: { ...made, id: plan.blocks[had]!.id } }));
        else send(planEvents.blockAdded({ at, block: made }));
        pickIn(had >= 0 ? had : at, 0);
      });
      return;
    }
    const format =
      role === 'finisher'
        ? FORMATS.tabata.usual
        : role === 'challenge'
          ? FORMATS.amrap.usual
          : FORMATS.intervals.usual;
    const last = plan.blocks.findLastIndex((b) => b.role !== 'cool-down');
    send(planEvents.blockAdded({ at: last + 1, block: { role, format, stations: [] } }));
    pickIn(last + 1, 0);
    send(viewChosen('build'));
  };
  const fix = (finding: Finding) => {
    if (!finding.fix) return;
    if (finding.fix.kind === 'block')
      send(planEvents.blockSet({ block: finding.fix.block, becomes: finding.fix.becomes }));
    else if (finding.fix.kind === 'add') addBlock(finding.fix.role);
    else {
      pickIn(finding.fix.block, 0);
      setOpen('order');
    }
  };
  const walked =
    lanes && picture.settled && picture.plan.blocks === plan.blocks
      ? walkOutwards(plan.blocks[shownBlock]!, shownBlock, plan, picture.settled.lanes)
      : null;
  const wear = (on: boolean) => `btn btn-sm touch ${on ? 'btn-neutral' : 'btn-ghost'}`;

  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <PlanHeader
        id={id}
        title={plan.title}
        mayTrain={outlook?.mayTrain ?? true}
        onPaste={() => setOpen('paste')}
        onKeys={() => setOpen('keys')}
        onMore={() => setOpen('more')}
      />
      <ElsewhereBanner
        onCopied={(copy) => void navigate(`/plan/${copy}`)}
        onGone={() => void navigate('/circuits')}
      />

      <WhoBar plan={plan} group={group} offered={offered} choose={choose} />
      {plan.blocks.length > 1 && (
        <BlockStrip plan={plan} sums={sums} open={shownBlock} onOpen={(b) => pickIn(b, 0)} onAdd={addBlock} />
      )}

      <main className="grid min-h-0 flex-1 grid-cols-1 pb-20 lg:grid-cols-[13.5rem_minmax(0,1fr)_22.5rem] lg:pb-0">
        <section
          aria-label="Dials and clock"
          className={`${panel === 'dials' ? 'block' : 'hidden'} border-base-300 p-4 lg:block lg:overflow-auto lg:border-r-2`}
        >
          <DialSet
            dials={plan.dials}
            person={person !== null}
            onTurn={(turn) => send(planEvents.dialTurned(turn))}
          />
          <hr className="my-4 border-t-2 border-base-300" />
          <ClockBar
            key={shown.block.id}
            format={(plan.blocks[shownBlock] ?? shown.block).format}
            onChange={setFormat}
          />
          <FitFold
            key={plan.id}
            library={library}
            plan={plan}
            onBooked={(bookedMinutes) => send(planEvents.planPatched({ bookedMinutes } as Partial<Plan>))}
            onTake={(b, becomes) => send(planEvents.blockSet({ block: b, becomes }))}
          />
          <KeepSelect dials={plan.dials} onTurn={(turn) => send(planEvents.dialTurned(turn))} />
          {shown.block.stations.length > 2 && (
            <button type="button" className="btn btn-sm touch mt-2 w-full" onClick={() => setOpen('order')}>
              Best order…
            </button>
          )}
        </section>

        <div className={`${panel === 'floor' ? 'flex' : 'hidden'} min-h-0 min-w-0 flex-col lg:flex`}>
          <div className="flex items-center gap-1 px-3 pt-2">
            {VIEWS.map((shows) => (
              <button
                key={shows}
                type="button"
                className={wear(view.shows === shows)}
                aria-pressed={view.shows === shows}
                onClick={() => send(viewChosen(shows))}
              >
                {VIEW_WORDS[shows]}
              </button>
            ))}
            {plan.blocks.length === 1 && <AddBlock blocks={1} onAdd={addBlock} />}
            {view.shows === 'sheet' && (
              <button
                type="button"
                className={wear(lanes)}
                aria-pressed={lanes}
                onClick={() => setLanes(!lanes)}
              >
                Lanes
              </button>
            )}
            {view.shows === 'sheet' && (
              <Link to={`/plan/${id}/compare`} className={wear(false)}>
                Side by side
              </Link>
            )}
            <button
              type="button"
              className="quiet touch ml-auto rounded px-2 text-right text-sm leading-tight hover:bg-base-200"
              aria-haspopup="dialog"
              onClick={() => setOpen('sums')}
            >
              <span className="sr-only">The sums: </span>
              {sums.metLo.toFixed(1)}–{sums.metHi.toFixed(1)} MET
              {sums.kcal && ` · ${Math.round(sums.kcal.lo / 5) * 5}–${Math.round(sums.kcal.hi / 5) * 5} kcal`}{' '}
              ·{' '}
              {sums.hardLandings + sums.lightLandings === 0
                ? 'no landings'
                : `${sums.lightLandings} light${sums.hardLandings > 0 ? `, ${sums.hardLandings} hard` : ''} landings`}{' '}
              · {sums.floorChanges === 0 ? 'stays off the floor' : `down and up ${sums.floorChanges}×`}
            </button>
          </div>
          {view.shows === 'floor' ? (
            <>
              <div className="hidden min-h-0 flex-1 px-1 md:block">
                <Floor
                  picture={shown}
                  library={library}
                  who={who}
                  formatWords={words}
                  station={safeStation}
                  onStation={pick}
                  compact={false}
                />
              </div>
              <div className="px-1 md:hidden">
                <Floor
                  picture={shown}
                  library={library}
                  who={who}
                  formatWords={words}
                  station={safeStation}
                  onStation={pickOnPhone}
                  compact
                />
                <PhoneList picture={shown} library={library} onStation={pickOnPhone} />
              </div>
            </>
          ) : view.shows === 'build' ? (
            <div className="min-h-0 flex-1">
              <Suspense fallback={null}>
                <Builder
                  library={library}
                  plan={plan}
                  sums={sums}
                  open={shownBlock}
                  station={safeStation}
                  onPick={pickIn}
                  onRemake={(b, role, minutes) =>
                    void around(role, minutes).then((made) =>
                      send(planEvents.blockSet({ block: b, becomes: { ...made, id: plan.blocks[b]!.id } })),
                    )
                  }
                />
              </Suspense>
            </div>
          ) : (
            <div className="min-h-0 flex-1 px-2">
              {lanes ? (
                <LaneSheet
                  picture={shown}
                  library={library}
                  count={plan.lanes?.count ?? USUAL_LANES}
                  pinned={(at, lane) => pinnedAt(plan, shownBlock, at, lane)}
                  station={safeStation}
                  onStation={pick}
                  onCount={(count) => send(planEvents.lanesCounted(count))}
                  onPin={(at, lane, form) =>
                    send(
                      planEvents.lanePinned({
                        block: shownBlock,
                        station: at,
                        lane,
                        count: plan.lanes?.count ?? USUAL_LANES,
                        form,
                      }),
                    )
                  }
                  tiers={restTiers(plan.blocks[shownBlock]!, plan.forWhom, factsIn(library))}
                  onOneClock={setFormat}
                  onWalk={
                    walked ? () => send(planEvents.blockSet({ block: shownBlock, becomes: walked })) : null
                  }
                />
              ) : (
                <Sheet
                  picture={shown}
                  library={library}
                  who={firstName}
                  station={safeStation}
                  onStation={pick}
                />
              )}
            </div>
          )}
          {view.shows === 'floor' && (
            <p className="hidden flex-wrap justify-center gap-x-4 px-3 text-sm md:flex">
              <span className="quiet">Inside out</span>
              {LEVELS.map((level, lane) => (
                <span key={level.id} title={level.says}>
                  <span
                    className="mr-1.5 inline-block h-3 w-5 rounded-sm border border-current align-[-0.1em]"
                    style={{ background: `var(--lane-${lane})` }}
                    aria-hidden
                  />
                  {level.name}
                </span>
              ))}
              <span className="quiet">┄ as written</span>
            </p>
          )}
          <FindingsList
            findings={findings}
            most={view.shows === 'build' ? 1 : 3}
            onFix={fix}
            onGo={(finding) => pickIn(finding.block ?? shownBlock, finding.station ?? 0)}
            onAccept={(finding, why) =>
              send(planEvents.findingAccepted({ check: finding.check, at: finding.at, why }))
            }
          />
          <div className="border-t-2 border-base-300 px-3 pt-2 pb-2">
            <Ribbon
              picture={picture}
              library={library}
              block={shownBlock}
              station={safeStation}
              onStation={pickIn}
            />
          </div>
        </div>

        <aside
          aria-label="The chosen station"
          className={`${panel === 'station' ? 'block' : 'hidden'} min-h-0 border-base-300 p-4 lg:block lg:overflow-auto lg:border-l-2`}
        >
          {person && outlook && <WhoLine person={person} outlook={outlook} />}
          <StationPanel
            picture={shown}
            live={plan.blocks[shownBlock]?.stations[safeStation]}
            library={library}
            station={safeStation}
            who={firstName}
            initials={token}
            onChangeMove={() => setOpen('move')}
            onAdd={() => setOpen('add')}
            onRemove={() => {
              send(planEvents.stationRemoved(here));
              pick(Math.max(0, safeStation - 1));
            }}
            onShift={shift}
            onCopy={() => send(planEvents.stationCopied(here))}
            onPick={(move, settings) =>
              send(planEvents.moveChosen({ ...here, move, ...(settings ? { settings } : {}) }))
            }
            onPatch={(patch) => send(planEvents.stationPatched({ ...here, patch }))}
          >
            <LoadLine
              library={library}
              room={room ?? ROOM_EXAMPLE}
              move={shown.version.uses[safeStation]?.move ?? ''}
              level={person?.assumedLevel ?? plan.writtenFor}
              limits={outlook?.limits ?? []}
            />
            <WaysFold
              library={library}
              room={room ?? ROOM_EXAMPLE}
              station={shown.block.stations[safeStation]}
              person={person}
              onTake={(move, settings) => send(planEvents.moveChosen({ ...here, move, settings }))}
            />
          </StationPanel>
        </aside>
      </main>

      <nav
        className="no-print fixed inset-x-0 bottom-0 z-10 grid grid-cols-3 border-t-2 border-base-300 bg-base-100 lg:hidden"
        aria-label="Parts of the plan"
      >
        {(
          [
            ['floor', 'Floor'],
            ['station', 'Station'],
            ['dials', 'Dials'],
          ] as const
        ).map(([part, label]) => (
          <button
            key={part}
            type="button"
            aria-pressed={panel === part}
            className={`display h-16 text-lg ${panel === part ? 'bg-base-content text-base-100' : ''}`}
            onClick={() => setPanel(part)}
          >
            {label}
          </button>
        ))}
      </nav>

      {(open === 'move' || open === 'add') && (
        <MovePicker
          library={library}
          title={open === 'add' ? 'Add a station' : `Station ${safeStation + 1}: change the move`}
          onClose={() => setOpen(null)}
          onPick={(move) => {
            if (open === 'add') {
              send(
                planEvents.stationsAdded({
                  block: shownBlock,
                  after: count === 0 ? -1 : safeStation,
                  stations: [{ move, sides: 'swap at half' }],
                }),
              );
              pick(safeStation + 1);
            } else send(planEvents.moveChosen({ ...here, move }));
            setOpen(null);
          }}
        />
      )}
      {open === 'order' && (
        <OrderDialog
          library={library}
          block={shown.block}
          onTake={(order) => {
            send(planEvents.stationsOrdered({ block: shownBlock, order }));
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'paste' && (
        <PasteDialog
          into={plan.id}
          library={library}
          onClose={() => setOpen(null)}
          onUse={(pasted) => {
            const blocks = blocksOf(pasted);
            send(
              planEvents.sessionPasted({
                title: pasted.title,
                notes: notesOf(pasted),
                blocks,
                block: shownBlock,
              }),
            );
            pickIn(blocks.length > 1 ? 0 : shownBlock, 0);
            setOpen(null);
          }}
        />
      )}
      {open === 'sums' && (
        <SumsDialog
          library={library}
          plan={picture.plan}
          sums={sums}
          who={who === 'Lane' ? 'for a lane' : `for ${who}`}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'more' && (
        <MoreDialog plan={plan} onPaste={() => setOpen('paste')} onClose={() => setOpen(null)} />
      )}
      {open === 'keys' && (
        <KeysDialog
          on={view.letterKeys}
          onToggle={(on) => send(letterKeysSet(on))}
          onClose={() => setOpen(null)}
        />
      )}
    </div>
  );
}

/** Whether the trainer put a form there by hand. */
function pinnedAt(plan: Plan, block: number, station: number, lane: number): boolean {
  const b = plan.blocks[block];
  const s = b?.stations[station];
  return (plan.lanes?.pins ?? []).some(
    (pin) => pin.block === b?.id && pin.station === s?.id && pin.lane === lane,
  );
}
