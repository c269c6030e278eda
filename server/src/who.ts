import { GROUP, type Group } from '@inner-rung/core/person';
import type { AnyRecordKind, RecordKindId } from '@inner-rung/core/record';
import { recordOf } from '@inner-rung/core/records';
import {
  ACTIONS,
  givenGroup,
  groupsByMember,
  may,
  seenBy,
  TEAM_ROLE_SAYS,
  type TeamRole,
} from '@inner-rung/core/team';
import type { NextFunction, Request, Response } from 'express';
import { actionOf } from './allowed.ts';
import type { Documents, Stored } from './documents.ts';
import { COOKIE, type Door, fromNetwork } from './door.ts';
import { cookieOf, type Network } from './network.ts';
import { ProblemError } from './problem.ts';
import type { Account, Team } from './team.ts';
import type { Doer, Trail } from './trail.ts';

/** Whoever asks: who they are, where they are, and what of all this is theirs. */
export interface Asker {
  /** Whose trace it leaves. */
  readonly doer: Doer;
  /** Null without a team, and before somebody has signed in. */
  readonly me: Account | null;
  /** What they may do; null for somebody who hasn't come in. Without a team whoever is in is the one trainer. */
  readonly role: TeamRole | null;
  /** From another device than the machine itself. */
  readonly elsewhere: boolean;
  readonly address: string;
  /** What their sign-in goes by; null at the machine without a team. */
  readonly session: string | null;
}
export type Asking = (request: Request) => Asker;

/** Whether everything is theirs, whatever its group. */
const seesAll = ({ me }: Asker): boolean =>
  me === null || (me.role !== 'assistant' && me.role !== 'reader' && me.groups === null);

/** Who asks, and what of the documents is theirs to see. */
export function asking(parts: {
  readonly team: Team;
  readonly network: Network;
  readonly documents: Documents;
  readonly door: Door | undefined;
}) {
  const { team, network, documents, door } = parts;
  const known = new WeakMap<Request, Asker>();
  const whoIs = (request: Request): Asker => {
    const elsewhere = fromNetwork(request, door);
    const address = (request.socket.remoteAddress ?? '?').replace(/^::ffff:/, '');
    const token = cookieOf(request.get('cookie'), COOKIE);
    const session = network.sessionOf(token);
    const me = team.on ? team.whose(token) : null;
    const inside = team.on ? me !== null : !elsewhere || session !== null;
    return {
      doer: { account: me?.id ?? null, place: elsewhere ? address : 'this machine' },
      me,
      role: inside ? (me?.role ?? 'owner') : null,
      elsewhere,
      address,
      session: team.on || elsewhere ? session : null,
    };
  };
  const who: Asking = (request) => {
    const before = known.get(request);
    if (before) return before;
    const asker = whoIs(request);
    known.set(request, asker);
    return asker;
  };

  let members: { readonly tag: string; readonly by: ReturnType<typeof groupsByMember> } | undefined;
  const byMember = () => {
    const groups = recordOf(GROUP.kind);
    const tag = documents.tagOf(groups);
    if (members?.tag !== tag)
      members = { tag, by: groupsByMember(documents.list(groups).map(({ body }) => body as Group)) };
    return members.by;
  };
  const view = (asker: Asker, record: AnyRecordKind, stored: Stored): Stored | null => {
    if (seesAll(asker)) return stored;
    const body = seenBy(asker.me!, record.kind, stored.body, byMember());
    return body === null ? null : body === stored.body ? stored : { ...stored, body };
  };

  return {
    who,
    seesAll,
    /** Those of a list that are theirs, as they may see them. */
    listFor: (asker: Asker, record: AnyRecordKind, all: readonly Stored[]): readonly Stored[] =>
      seesAll(asker) ? all : all.flatMap((one) => view(asker, record, one) ?? []),
    /** A document as they may see it; throws as if there were none where it isn't theirs. */
    oneFor(asker: Asker, record: AnyRecordKind, id: string): Stored {
      const stored = documents.get(record, id);
      const seen = view(asker, record, stored);
      if (!seen) throw notHere();
      return seen;
    },
    /** Whether a document of that kind and id is theirs to see; of what is no longer there nobody can say it is. */
    sees(asker: Asker, kind: RecordKindId, id: string): boolean {
      if (seesAll(asker)) return true;
      const record = recordOf(kind);
      const stored = documents.find(record, id);
      return stored !== null && view(asker, record, stored) !== null;
    },
    seesGroup: (asker: Asker, group: string | null): boolean =>
      seesAll(asker) || givenGroup(asker.me!, group),
    /** Parts lists as browsers keep them: what one sees is another's. */
    tagFor: (asker: Asker, tag: string): string =>
      asker.me ? `${tag}-${asker.me.id}-${documents.tagOf(recordOf('group'))}` : tag,
  };
}
export type Scope = ReturnType<typeof asking>;

/** Throws for somebody on another device: `says` is why that is done at the machine alone. */
export function onlyHere({ elsewhere }: Asker, says: string): void {
  if (elsewhere) throw new ProblemError({ status: 403, title: 'Only at the machine itself', detail: says });
}

export const notHere = () =>
  new ProblemError({ status: 404, title: 'Not here', detail: 'There is nothing at this address.' });

/** Lets through what somebody may do, and nothing else. A refusal leaves a trace. */
export function roleGuard(team: Team, who: Asking, trail: Trail) {
  return (request: Request, _response: Response, next: NextFunction): void => {
    const action = actionOf(request.method, request.path, request.get('if-none-match') === '*');
    if (action === null) {
      next();
      return;
    }
    const { role, doer } = who(request);
    if (role === null)
      throw team.on
        ? new ProblemError({ status: 401, title: 'Who are you?', detail: 'Sign in first.' })
        : new ProblemError({ status: 401, title: 'Passcode, please', detail: 'Give the passcode first.' });
    // What the table doesn't know by its exact address is nobody's: "/RUNS" or "/%70eople" is no way round it.
    if (action === undefined) throw notHere();
    if (!may(role, action)) {
      trail.add(doer, 'refused', null, null, [ACTIONS[action].says]);
      const owner = team.accounts().find((one) => one.role === 'owner');
      throw new ProblemError({
        status: 403,
        title: 'Not yours to do',
        detail: `${TEAM_ROLE_SAYS[role].name}s may not ${ACTIONS[action].says}.`,
        fix: `Ask ${owner?.name ?? 'the owner'}.`,
      });
    }
    next();
  };
}
