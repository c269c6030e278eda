import { decodeLibrary } from '@inner-rung/core/forms';
import { type Change, type Library, type OwnLibrary, openOwn } from '@inner-rung/core/ladder';
import type { Plan } from '@inner-rung/core/session';
import type { ActionId, TeamRole } from '@inner-rung/core/team';
import { madeFrom } from '../engine/index.ts';
import { fetched } from './fetched.ts';
import type { Stored } from './machine.ts';

export interface SetAside {
  readonly number: number | null;
  readonly kind: string;
  readonly id: string;
  readonly reason: string;
  readonly body: string;
}

/** A run as the list has it. */
export interface RunLine {
  readonly id: string;
  readonly title: string;
  readonly plan: string;
  readonly on: string;
  readonly people: number;
  readonly daysAgo: number;
  readonly is: 'not begun' | 'under way' | 'over';
}

/** Somebody of the team as the server tells it. */
export interface TeamMember {
  readonly id: string;
  readonly name: string;
  readonly role: TeamRole;
  /** Ids of the groups they are given; null is all. */
  readonly groups: readonly string[] | null;
}
/** Whether there is a team, and who is at this browser. */
export interface TeamState {
  readonly on: boolean;
  /** Whether anything is to be had without giving a passcode or a name first. */
  readonly in: boolean;
  readonly me: TeamMember | null;
  readonly may: readonly ActionId[];
  readonly team: readonly TeamMember[];
}

const json = <T>(answer: Response) => answer.json() as Promise<T>;

export const libraryFile = fetched('library', (answer) => answer.arrayBuffer(), false);
export const plans = fetched('plans', json<readonly Stored<Plan>[]>);
export const runs = fetched('runs', json<readonly RunLine[]>);
export const team = fetched('team', json<TeamState>, false);
export const setAside = fetched('set-aside', json<readonly SetAside[]>);

let reference: { file: ArrayBuffer; library: Library } | undefined;
let opened: { file: ArrayBuffer; own: object; with: OwnLibrary } | undefined;

/** The reference library, opened once from its file; the same file gives the same object. */
export function referenceFrom(file: ArrayBuffer): Library {
  if (reference?.file !== file)
    reference = { file, library: madeFrom(decodeLibrary(file), { file, changes: [] }) };
  return reference.library;
}

/** The library with a trainer's changes on top, opened once for the same file and changes. */
export function libraryFrom(file: ArrayBuffer, own: Readonly<Record<string, Change>>): OwnLibrary {
  if (opened?.file !== file || opened.own !== own) {
    const changes = Object.values(own);
    const made =
      changes.length > 0
        ? openOwn(referenceFrom(file), changes)
        : { library: referenceFrom(file), states: [] };
    if (changes.length > 0) madeFrom(made.library, { file, changes });
    opened = { file, own, with: made };
  }
  return opened.with;
}
