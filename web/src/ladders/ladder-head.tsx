import { AVOID_IDS, type Avoid, familyOf } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';
import { Archive, Image as ImageIcon } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { changes } from '../store/index.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { PART_WORD } from './part-bars.tsx';
import type { LadderBench } from './use-ladder-bench.ts';

/** A ladder's name and what can be done with the whole of it; its branches; for whom it is looked at. */
export function LadderHead(props: { bench: LadderBench; people: readonly Person[]; person: Person | null }) {
  const { people, person } = props;
  const { ladder, edits, keep, search, setSearch } = props.bench;
  const navigate = useNavigate();
  const change = edits.change('ladder', ladder.id);
  return (
    <>
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
        <Branches bench={props.bench} />
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
    </>
  );
}

function Branches({ bench }: { bench: LadderBench }) {
  const { library, ladder, search, addBranch } = bench;
  const family = familyOf(library, ladder);
  return (
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
  );
}
