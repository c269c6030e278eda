import { laneName } from '@inner-rung/core/class';
import { indexOf } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { MUSCLES } from '@inner-rung/core/move';
import { type Person, shortName } from '@inner-rung/core/person';
import { COMPARED, LOADED, profileOf, sumUp } from '@inner-rung/core/review';
import { asOpened } from '@inner-rung/core/words';
import { useMemo, useState } from 'react';
import type { Picture as Scaled } from '../features/use-scaled.ts';
import { Chip } from '../ui/choice.tsx';
import { Picture } from '../ui/picture.tsx';
import { Scrolls } from '../ui/scrolls.tsx';
import { barChart, effortChart, LOOKS } from './charts.tsx';
import { type Compared, Panel, Stations, Swatch, WRITTEN } from './compare-stations.tsx';

export function Beside(props: {
  library: Library;
  picture: Scaled;
  everybody: readonly Person[];
  first: string | null;
}) {
  const { library, picture } = props;
  const { plan } = picture;
  const settled = picture.settled!;
  const all = useMemo(
    (): Compared[] => [
      { id: WRITTEN, name: 'As written', uses: picture.version.original },
      ...settled.others.map(({ id, uses }) => ({
        id,
        name: shortName(props.everybody.find((p) => p.id === id)!),
        uses,
      })),
      ...settled.lanes.lanes.map((lane, k) => ({
        id: `lane-${k}`,
        name: settled.lanes.lanes.length === 4 ? laneName(lane.position) : `Lane ${k + 1}`,
        uses: lane.uses,
      })),
    ],
    [picture.version, settled, props.everybody],
  );
  const [chosen, setChosen] = useState<readonly string[]>([
    WRITTEN,
    ...(props.first && all.some((v) => v.id === props.first) ? [props.first] : []),
    'lane-0',
  ]);
  const shown = useMemo(
    () =>
      all
        .filter((v) => chosen.includes(v.id))
        .slice(0, LOOKS.length)
        .map((v, look) => ({ ...v, look })),
    [all, chosen],
  );
  const index = useMemo(() => indexOf(asOpened(library)), [library]);
  const figures = useMemo(
    () =>
      shown.map((version) => ({
        ...version,
        sums: sumUp(index, plan, version.uses),
        profile: profileOf(library, plan, version.uses),
      })),
    [shown, index, library, plan],
  );
  const length = figures[0]?.sums.lengthSeconds ?? 0;
  const minutes = figures[0]?.profile.landings.map((_, m) => String(m + 1)) ?? [];
  const muscles = useMemo(
    () =>
      MUSCLES.map((muscle, m) => ({
        muscle,
        m,
        most: Math.max(0, ...figures.map((f) => f.profile.muscles[m]!)),
      }))
        .filter((row) => row.most > 0)
        .sort((a, b) => b.most - a.most)
        .slice(0, 9),
    [figures],
  );
  const effort = useMemo(
    () =>
      effortChart(
        figures.map((f) => ({ ...f, effort: f.profile.effort })),
        length,
      ),
    [figures, length],
  );
  const landings = useMemo(
    () =>
      barChart(
        figures.map((f) => ({ ...f, values: f.profile.landings.map((l) => Math.round(l.light + l.hard)) })),
        minutes,
        'landings in each minute',
        false,
      ),
    [figures, minutes],
  );
  const muscleBars = useMemo(
    () =>
      barChart(
        figures.map((f) => ({ ...f, values: muscles.map(({ m }) => f.profile.muscles[m]!) })),
        muscles.map(({ muscle }) => muscle),
        'seconds',
        true,
      ),
    [figures, muscles],
  );
  const joints = useMemo(
    () =>
      barChart(
        figures.map((f) => ({ ...f, values: f.profile.joints })),
        LOADED.map((l) => l.joint),
        'seconds of load',
        true,
      ),
    [figures],
  );
  const turn = (one: string) =>
    setChosen((now) =>
      now.includes(one) ? now.filter((v) => v !== one) : [...now, one].slice(-LOOKS.length),
    );
  const names = figures.map((f) => f.name).join(', ');
  return (
    <main className="mx-auto max-w-6xl px-4 py-3">
      <fieldset className="flex flex-wrap gap-1.5">
        <legend className="quiet text-sm">Lay side by side, up to {LOOKS.length}</legend>
        {all.map((version) => (
          <Chip key={version.id} on={chosen.includes(version.id)} onTurn={() => turn(version.id)}>
            {version.name}
          </Chip>
        ))}
      </fieldset>
      {figures.length === 0 ? (
        <p className="mt-4 text-lg">Choose somebody to look at.</p>
      ) : (
        <>
          <Scrolls label="In figures" className="mt-3 overflow-x-auto rounded bg-base-100 px-3 py-2">
            <table className="table table-sm text-[0.95rem]">
              <thead>
                <tr className="display text-base text-base-content">
                  <th scope="col">
                    <span className="sr-only">Figure</span>
                  </th>
                  {figures.map((f) => (
                    <th key={f.id} scope="col" className="whitespace-nowrap">
                      <Swatch look={f.look} /> {f.name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {COMPARED.map((row) => (
                  <tr key={row.says}>
                    <th scope="row" className="font-normal">
                      {row.says}
                    </th>
                    {figures.map((f) => (
                      <td key={f.id} className="tabular-nums">
                        {row.of(f.sums)}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </Scrolls>
          <div className="mt-3 grid gap-3 lg:grid-cols-2">
            <Panel title="Effort over the session">
              <Picture
                make={effort}
                says={`Effort over the session in MET: ${names}. The table above has the figures.`}
              />
            </Panel>
            <Panel title="Landings">
              {figures.every((f) => f.sums.lightLandings + f.sums.hardLandings === 0) ? (
                <p className="quiet py-4">None of these leaves the floor.</p>
              ) : (
                <Picture
                  make={landings}
                  says={`Landings minute by minute: ${names}. The table above has the sums.`}
                />
              )}
            </Panel>
            <Panel title="Muscles">
              <Picture
                tall
                make={muscleBars}
                says={muscles
                  .map(
                    ({ muscle, m }) =>
                      `${muscle}: ${figures.map((f) => `${f.name} ${f.profile.muscles[m]} s`).join(', ')}`,
                  )
                  .join('. ')}
              />
            </Panel>
            <Panel title="Joints under load">
              <Picture
                tall
                make={joints}
                says={LOADED.map(
                  ({ joint }, j) =>
                    `${joint}: ${figures.map((f) => `${f.name} ${f.profile.joints[j]} s`).join(', ')}`,
                ).join('. ')}
              />
            </Panel>
          </div>
          <Stations library={library} picture={picture} versions={figures} />
        </>
      )}
    </main>
  );
}
