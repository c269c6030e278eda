import {
  type Change,
  type Library,
  type LibraryFile,
  type OwnLibrary,
  openLibrary,
  openOwn,
} from '@inner-rung/core/ladder';
import type { Plan } from '@inner-rung/core/session';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

export interface Stored<T> {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly body: T;
}
export interface SetAside {
  readonly number: number;
  readonly kind: string;
  readonly id: string;
  readonly reason: string;
  readonly body: string;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api/' }),
  tagTypes: ['plans'],
  endpoints: (build) => ({
    libraryFiles: build.query<{ files: LibraryFile[] }, void>({ query: () => 'library' }),
    plans: build.query<Stored<Plan>[], void>({ query: () => 'plans', providesTags: ['plans'] }),
    setAside: build.query<SetAside[], void>({ query: () => 'set-aside' }),
    health: build.query<{ ok: boolean; demo: boolean }, void>({ query: () => 'health' }),
  }),
});

let reference: { files: readonly LibraryFile[]; library: Library } | undefined;
let opened: { files: readonly LibraryFile[]; own: object; with: OwnLibrary } | undefined;

/** The reference library opened once from its files; the same files give the same object. */
export function referenceFrom(files: readonly LibraryFile[]): Library {
  if (reference?.files !== files) reference = { files, library: openLibrary(files) };
  return reference.library;
}

/** The library with a trainer's changes on top, opened once for the same files and changes. */
export function libraryFrom(
  files: readonly LibraryFile[],
  own: Readonly<Record<string, Change>>,
): OwnLibrary {
  if (opened?.files !== files || opened.own !== own) {
    const changes = Object.values(own);
    opened = {
      files,
      own,
      with:
        changes.length > 0
          ? openOwn(referenceFrom(files), changes)
          : { library: referenceFrom(files), states: [] },
    };
  }
  return opened.with;
}
