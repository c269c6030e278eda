import { ACTIONS, type ActionId, type TeamRole } from '@inner-rung/core/team';
import { type TeamState, team } from './api.ts';

/** Whether whoever is at this browser may do something; true while nobody has said otherwise. */
const mayIn = (state: TeamState | undefined, id: ActionId): boolean => !state?.in || state.may.includes(id);

export const useMay = (id: ActionId): boolean => mayIn(team.use().data, id);

/** What isn't theirs, in words, and whom they ask; null where it is. */
export function useNotMine(id: ActionId): string | null {
  const { data } = team.use();
  if (!data || mayIn(data, id)) return null;
  const whose = data.team.filter(
    ({ role, id: who }) => (ACTIONS[id].roles as readonly TeamRole[]).includes(role) && who !== data.me?.id,
  );
  const owners = whose.filter(({ role }) => role === 'owner');
  const asked = (owners.length > 0 ? owners : whose).map(({ name }) => name);
  const ask = asked.length > 0 ? ` Ask ${asked.join(' or ')} to ${ACTIONS[id].says}.` : '';
  return `Yours to look at.${ask || ` You may not ${ACTIONS[id].says}.`}`;
}
