import type { Library } from '@inner-rung/core/ladder';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { useShelf } from '../store/data.ts';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { NoRun } from './no-run.tsx';
import { type LiveRun, useRun } from './use-run.ts';

/** The run its address names, once it is here with the library; until then what there is to say. */
export function WithRun(props: { children: (library: Library, live: LiveRun) => ReactNode }) {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const live = useRun(id);
  if (failed && !library) return <ServerAway />;
  if (live === 'gone') return <NoRun />;
  if (!library || !live) return <Waiting />;
  return props.children(library, live);
}
