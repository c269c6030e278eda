export {
  ACTION_IDS,
  ACTIONS,
  type ActionId,
  may,
  TEAM_ROLE_SAYS,
  TEAM_ROLES,
  type TeamRole,
} from './roles.ts';
export { givenGroup, groupsByMember, seenBy, type Viewer } from './seen.ts';
export { type Deed, deedSaid, fieldsChanged, type TrailLine } from './trail.ts';
