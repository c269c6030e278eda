import { QUESTION_IDS } from '@inner-rung/core/ask';
import type { RecordKindId } from '@inner-rung/core/record';
import { RECORDS } from '@inner-rung/core/records';
import type { ActionId } from '@inner-rung/core/team';
import { PUBLISHED } from './openapi.ts';

/** What reading and changing documents of each kind is. */
const ON_KINDS: Readonly<
  Record<RecordKindId, { readonly see: ActionId; readonly make: ActionId; readonly change: ActionId }>
> = {
  plan: { see: 'see-sessions', make: 'change-sessions', change: 'change-sessions' },
  room: { see: 'see-sessions', make: 'change-sessions', change: 'change-sessions' },
  change: { see: 'see-sessions', make: 'change-sessions', change: 'change-sessions' },
  person: { see: 'see-people', make: 'change-people', change: 'change-people' },
  group: { see: 'see-people', make: 'change-people', change: 'change-people' },
  record: { see: 'see-records', make: 'record', change: 'change-records' },
  review: { see: 'see-reviews', make: 'sign', change: 'sign' },
};

/** What each route is, by its method and its path as the published description has it; null lets anybody ask. */
type Routes = Readonly<Record<string, ActionId | null>>;
const ROUTES: Routes = {
  'get /health': null,
  'get /team': null,
  'post /team': null,
  'post /team/recover': null,
  'post /sign-in': null,
  'post /sign-out': null,
  'get /p/{token}': null,
  'get /p/{token}/now': null,
  'get /p/{token}/stream': null,
  'get /c/{token}': null,
  'get /openapi.json': 'use-library',
  'get /library': 'use-library',
  ...Object.fromEntries(QUESTION_IDS.map((id) => [`post /ask/${id}`, 'use-library' as const])),
  ...Object.fromEntries(Object.keys(PUBLISHED).map((path) => [`post ${path}`, 'use-library' as const])),
  'post /erased': 'use-library',
  'get /set-aside': 'see-set-aside',
  ...Object.fromEntries(
    RECORDS.flatMap(({ kind, collection }) => {
      const { see, change } = ON_KINDS[kind];
      return [
        [`get /${collection}`, see],
        [`get /${collection}/{id}`, see],
        [`put /${collection}/{id}`, change],
        [`delete /${collection}/{id}`, change],
        [`post /${collection}/{id}/erase`, 'erase'],
      ];
    }),
  ),
  'get /runs': 'see-runs',
  'post /runs': 'make-runs',
  'post /runs/taken': 'lead-runs',
  'get /runs/{id}': 'see-runs',
  'get /runs/{id}/now': 'see-runs',
  'get /runs/{id}/stream': 'see-runs',
  'get /runs/{id}/pack': 'make-runs',
  'post /runs/{id}/events': 'lead-runs',
  'post /runs/{id}/links': 'lead-runs',
  'post /cards': 'hand-out-cards',
  'delete /cards': 'hand-out-cards',
  'get /network': 'use-library',
  'put /network': 'open-network',
  'post /network/sign-out': 'open-network',
  'get /copies': 'keep-copies',
  'post /copies': 'keep-copies',
  'post /copies/file': 'keep-copies',
  'post /copies/{name}/restore': 'keep-copies',
  'post /copies/{name}/file': 'keep-copies',
  'delete /team': 'manage-team',
  'post /team/sheet': 'manage-team',
  'post /team/accounts': 'manage-team',
  'put /team/accounts/{id}': 'manage-team',
  'delete /team/accounts/{id}': 'manage-team',
  'put /team/passphrase': 'use-library',
  'get /team/sign-ins': 'manage-team',
  'delete /team/sign-ins/{id}': 'manage-team',
  'get /trail': 'see-person-trail',
  'get /trail/state': 'see-trail',
  'post /trail/told': 'use-library',
};

interface Pattern {
  readonly method: string;
  readonly parts: readonly string[];
  readonly action: ActionId | null;
}
const PATTERNS: readonly Pattern[] = Object.entries(ROUTES).map(([route, action]) => {
  const [method, path] = route.split(' ') as [string, string];
  return { method, parts: path.split('/'), action };
});
/** A word of a route goes before a part that stands for any: /runs/taken before /runs/{id}. */
const exact = ({ parts }: Pattern): number => parts.filter((part) => !part.startsWith('{')).length;
const ORDERED = [...PATTERNS].sort((a, b) => exact(b) - exact(a));

/**
 * What a request does, by its method and its path under /api; null where anybody may, undefined where there is no
 * such route: nobody may do that. `making` says that a document is made, not changed.
 */
export function actionOf(method: string, path: string, making: boolean): ActionId | null | undefined {
  const asked = path.replace(/(.)\/$/, '$1').split('/');
  const verb = method === 'HEAD' ? 'get' : method.toLowerCase();
  const found = ORDERED.find(
    (one) =>
      one.method === verb &&
      one.parts.length === asked.length &&
      one.parts.every((part, i) => part.startsWith('{') || part === asked[i]),
  );
  if (!found) return undefined;
  const record = RECORDS.find(({ collection }) => collection === asked[1]);
  return making && verb === 'put' && record ? ON_KINDS[record.kind].make : found.action;
}
/** Every route that is known, as "get /people". */
export const KNOWN_ROUTES: readonly string[] = Object.keys(ROUTES);
