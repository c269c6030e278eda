import { FORMATS } from '@inner-rung/core/clock';
import { everybodyIn, LEVELS, outlookOf, shortName } from '@inner-rung/core/person';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { check, subjectOf } from '@inner-rung/core/scale';
import { ClipboardPaste, Keyboard, List, Moon, Printer, Shapes, Sun } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { tokenOf, useShelf } from '../app/data.ts';
import { today } from '../app/day.ts';
import { LoadLine } from '../rooms/ways.tsx';
import { WaysFold } from '../rooms/ways-fold.tsx';
import { ServerAway } from '../start/start-screen.tsx';
import { useApp, useSend } from '../store/index.ts';
import { planEvents, planHistory } from '../store/plan-slice.ts';
import { letterKeysSet, stationPicked, themeChosen, viewChosen } from '../store/view-slice.ts';
import { Mark } from '../ui/marks.tsx';
import { UndoButtons } from '../ui/undo-buttons.tsx';
import { ClockBar } from './clock-bar.tsx';
import { DialSet } from './dials.tsx';
import { FitFold } from './fit-fold.tsx';
import { Floor } from './floor.tsx';
import { KeysDialog } from './keys.tsx';
import { MovePicker } from './move-picker.tsx';
import { OrderDialog } from './order-dialog.tsx';
import { PasteDialog } from './paste.tsx';
import { PhoneList } from './phone-list.tsx';
import { Ribbon } from './ribbon.tsx';
import { ElsewhereBanner, SaveState } from './save-state.tsx';
import { Sheet } from './sheet.tsx';
import { StationPanel } from './station-panel.tsx';
import { useOpenPlan } from './use-open-plan.ts';
import { useScaled } from './use-scaled.ts';
import { useWhoChoice, WhoBar } from './who-bar.tsx';
import { WhoLine } from './who-line.tsx';

type Open = 'order' | 'move' | 'add' | 'paste' | 'keys' | null;

export function PlanScreen() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const send = useSend();
  const { library, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
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
  const picture = useScaled(plan, library, person, room);

  const choose = useWhoChoice(plan, library !== null);

  const count = plan?.block.stations.length ?? 0;
  const asked = Number(search.get('station') ?? Number.NaN) - 1;
  const station = Math.max(0, Math.min(count - 1, Number.isInteger(asked) ? asked : view.station));
  const pick = (to: number) => {
    const next = Math.max(0, Math.min(count - 1, to));
    send(stationPicked(next));
    setSearch({ station: String(next + 1) }, { replace: true });
  };
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
  useHotkeys('left', () => pick(station - 1), { enabled: open === null }, [station, count]);
  useHotkeys('right', () => pick(station + 1), { enabled: open === null }, [station, count]);
  const shift = (by: -1 | 1) => {
    if (station + by < 0 || station + by >= count) return;
    send(planEvents.stationShifted({ station, by }));
    pick(station + by);
  };
  useHotkeys('shift+left', () => shift(-1), { enabled: open === null }, [station, count]);
  useHotkeys('shift+right', () => shift(1), { enabled: open === null }, [station, count]);
  useHotkeys('m', () => setOpen('move'), { ...letters, preventDefault: true });
  useHotkeys('a', () => setOpen('add'), { ...letters, preventDefault: true });
  useHotkeys('p', () => setOpen('paste'), { ...letters, preventDefault: true });
  useHotkeys('v', () => send(viewChosen(view.shows === 'floor' ? 'sheet' : 'floor')), letters, [view.shows]);
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

  const findings = useMemo(
    () =>
      picture && library
        ? check({
            library,
            block: picture.plan.block,
            version: picture.version,
            sums: picture.sums,
            limits: outlook?.limits ?? [],
          })
        : [],
    [picture, library, outlook],
  );

  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone')
    return (
      <main className="grid min-h-dvh place-items-center p-6 text-center">
        <div>
          <h1 className="text-3xl">No such circuit</h1>
          <p className="quiet mt-2">It may have been deleted, or set aside because it could not be read.</p>
          <Link to="/circuits" className="btn btn-primary mt-4">
            See your circuits
          </Link>
        </div>
      </main>
    );
  if (!plan || !library || !picture || picture.plan.id !== plan.id) return <Waiting />;

  const who = person?.name ?? 'Lane';
  const firstName = person ? shortName(person) : 'Lane';
  const token = person ? tokenOf(person) : 'L';
  const { sums } = picture;
  const safeStation = Math.min(station, picture.plan.block.stations.length - 1);
  const wear = (on: boolean) => `btn btn-sm touch ${on ? 'btn-neutral' : 'btn-ghost'}`;

  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <header className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 border-b-2 border-base-300 px-3 py-1.5">
        <Link to="/circuits" aria-label="Inner Rung: all circuits" className="touch grid place-items-center">
          <Mark />
        </Link>
        <h1 className="sr-only">{plan.title}</h1>
        <label className="min-w-0 flex-1">
          <span className="sr-only">Title of the circuit</span>
          <input
            className="display w-full min-w-0 rounded bg-transparent px-1 text-xl hover:bg-base-200 md:text-2xl"
            value={plan.title}
            maxLength={120}
            onChange={(event) => {
              if (event.target.value.trim()) send(planEvents.titleChanged(event.target.value));
            }}
          />
        </label>
        <SaveState />
        <div className="flex items-center">
          <UndoButtons canUndo={canUndo} canRedo={canRedo} onUndo={undo} onRedo={redo} />
          <button type="button" className="btn btn-ghost btn-sm touch" onClick={() => setOpen('paste')}>
            <ClipboardPaste aria-hidden />
            <span className="hidden xl:inline">Paste</span>
            <span className="sr-only xl:hidden">Paste a circuit</span>
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm touch"
            onClick={() => send(themeChosen(view.theme === 'paper' ? 'hall' : 'paper'))}
            aria-label={view.theme === 'paper' ? 'Dark, for the hall' : 'Light, for planning'}
          >
            {view.theme === 'paper' ? <Moon aria-hidden /> : <Sun aria-hidden />}
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm touch hidden md:inline-flex"
            onClick={() => setOpen('keys')}
            aria-label="Keys"
          >
            <Keyboard aria-hidden />
          </button>
          <Link to={`/plan/${id}/setup`} className="btn btn-ghost btn-sm touch">
            <Shapes aria-hidden />
            <span className="hidden xl:inline">Set up</span>
            <span className="sr-only xl:hidden">Set up: what to put out</span>
          </Link>
          {outlook && !outlook.mayTrain ? (
            <span className="ml-1 max-w-28 text-sm leading-tight font-semibold">no card yet</span>
          ) : (
            <Link to={`/plan/${id}/card`} className="btn btn-primary btn-sm touch ml-1">
              <Printer size={18} aria-hidden /> Card
            </Link>
          )}
        </div>
      </header>
      <ElsewhereBanner onCopied={(copy) => void navigate(`/plan/${copy}`)} />

      <WhoBar plan={plan} group={group} offered={offered} choose={choose} />

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
            format={plan.block.format}
            onChange={(format) => send(planEvents.formatChanged(format))}
          />
          <FitFold block={plan.block} onTake={(format) => send(planEvents.formatChanged(format))} />
          {plan.block.stations.length > 2 && (
            <button type="button" className="btn btn-sm touch mt-2 w-full" onClick={() => setOpen('order')}>
              Best order…
            </button>
          )}
        </section>

        <div className={`${panel === 'floor' ? 'flex' : 'hidden'} min-h-0 min-w-0 flex-col lg:flex`}>
          <div className="flex items-center gap-1 px-3 pt-2">
            <button
              type="button"
              className={wear(view.shows === 'floor')}
              aria-pressed={view.shows === 'floor'}
              onClick={() => send(viewChosen('floor'))}
            >
              Floor
            </button>
            <button
              type="button"
              className={wear(view.shows === 'sheet')}
              aria-pressed={view.shows === 'sheet'}
              onClick={() => send(viewChosen('sheet'))}
            >
              <List size={17} aria-hidden /> Sheet
            </button>
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
            <p className="quiet ml-auto text-right text-sm leading-tight">
              {sums.metLo.toFixed(1)}–{sums.metHi.toFixed(1)} MET
              {sums.kcal && ` · ${Math.round(sums.kcal.lo / 5) * 5}–${Math.round(sums.kcal.hi / 5) * 5} kcal`}{' '}
              ·{' '}
              {sums.hardLandings + sums.lightLandings === 0
                ? 'no landings'
                : `${sums.lightLandings} light${sums.hardLandings > 0 ? `, ${sums.hardLandings} hard` : ''} landings`}{' '}
              · {sums.floorChanges === 0 ? 'stays off the floor' : `down and up ${sums.floorChanges}×`}
            </p>
          </div>
          {view.shows === 'floor' ? (
            <>
              <div className="hidden min-h-0 flex-1 px-1 md:block">
                <Floor
                  picture={picture}
                  library={library}
                  who={who}
                  formatWords={FORMATS.intervals.words(picture.plan.block.format)}
                  station={safeStation}
                  onStation={pick}
                  compact={false}
                />
              </div>
              <div className="px-1 md:hidden">
                <Floor
                  picture={picture}
                  library={library}
                  who={who}
                  formatWords={FORMATS.intervals.words(picture.plan.block.format)}
                  station={safeStation}
                  onStation={pickOnPhone}
                  compact
                />
                <PhoneList picture={picture} library={library} onStation={pickOnPhone} />
              </div>
            </>
          ) : (
            <div className="min-h-0 flex-1 px-2">
              <Sheet
                picture={picture}
                library={library}
                who={firstName}
                lanes={lanes}
                station={safeStation}
                onStation={pick}
              />
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
          {findings.length > 0 && (
            <ul className="grid gap-1 px-4 py-1" aria-label="Worth a look">
              {findings.slice(0, 2).map((finding) => (
                <li key={finding.check} className="flex items-center gap-3 text-[0.95rem]">
                  <span aria-hidden className="display text-primary">
                    !
                  </span>
                  <span className="min-w-0 flex-1">{finding.says}</span>
                  {finding.fix && (
                    <button
                      type="button"
                      className="btn btn-sm touch"
                      onClick={() =>
                        send(planEvents.formatChanged({ restSeconds: finding.fix!.restSeconds }))
                      }
                    >
                      {finding.fix.label}
                    </button>
                  )}
                </li>
              ))}
            </ul>
          )}
          <div className="border-t-2 border-base-300 px-3 pt-2 pb-2">
            <Ribbon picture={picture} library={library} station={safeStation} onStation={pick} />
          </div>
        </div>

        <aside
          aria-label="The chosen station"
          className={`${panel === 'station' ? 'block' : 'hidden'} min-h-0 border-base-300 p-4 lg:block lg:overflow-auto lg:border-l-2`}
        >
          {person && outlook && <WhoLine person={person} outlook={outlook} />}
          <StationPanel
            picture={picture}
            library={library}
            station={safeStation}
            who={firstName}
            initials={token}
            onChangeMove={() => setOpen('move')}
            onAdd={() => setOpen('add')}
            onRemove={() => {
              send(planEvents.stationRemoved(safeStation));
              pick(Math.max(0, safeStation - 1));
            }}
            onShift={shift}
            onPick={(move, settings) =>
              send(planEvents.moveChosen({ station: safeStation, move, ...(settings ? { settings } : {}) }))
            }
            onSides={(sides) => send(planEvents.sidesChanged({ station: safeStation, sides }))}
          >
            <LoadLine
              library={library}
              room={room ?? ROOM_EXAMPLE}
              move={picture.version.uses[safeStation]?.move ?? ''}
              level={person?.assumedLevel ?? plan.writtenFor}
              limits={outlook?.limits ?? []}
            />
            <WaysFold
              library={library}
              room={room ?? ROOM_EXAMPLE}
              station={picture.plan.block.stations[safeStation]}
              subject={person ? subjectOf(person, library, today()) : null}
              onTake={(move, settings) =>
                send(planEvents.moveChosen({ station: safeStation, move, settings }))
              }
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
              send(planEvents.stationAdded({ after: count === 0 ? -1 : safeStation, move }));
              pick(safeStation + 1);
            } else send(planEvents.moveChosen({ station: safeStation, move }));
            setOpen(null);
          }}
        />
      )}
      {open === 'order' && (
        <OrderDialog
          library={library}
          block={plan.block}
          onTake={(order) => {
            send(planEvents.stationsOrdered(order));
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open === 'paste' && (
        <PasteDialog
          library={library}
          format={plan.block.format}
          onClose={() => setOpen(null)}
          onUse={(circuit) => {
            send(planEvents.circuitPasted(circuit));
            pick(0);
            setOpen(null);
          }}
        />
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
