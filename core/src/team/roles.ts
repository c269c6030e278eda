/** What somebody of a small team is. Where there is no team there is one trainer, who may do everything. */
export const TEAM_ROLES = ['owner', 'trainer', 'assistant', 'reader'] as const;
export type TeamRole = (typeof TEAM_ROLES)[number];

export const TEAM_ROLE_SAYS: Readonly<Record<TeamRole, { readonly name: string; readonly may: string }>> = {
  owner: {
    name: 'Owner',
    may: 'Everything: the team, copies, erasing, the local network, and who saw what.',
  },
  trainer: { name: 'Trainer', may: 'Plans, runs and records, for the groups they are given.' },
  assistant: {
    name: 'Assistant',
    may: 'Runs what they are given and records it. Sees cautions, and neither notes nor what was before.',
  },
  reader: { name: 'Clinician', may: 'Reads who may do what, and signs it. Sees nobody’s file.' },
};

interface Action {
  /** After "may": "may change people". */
  readonly says: string;
  readonly roles: readonly TeamRole[];
}
const action = <const A extends Readonly<Record<string, Action>>>(actions: A) => actions;

/** Who may do what: the one table. What isn't in it nobody may do. */
export const ACTIONS = action({
  'use-library': { says: 'look at moves and ask what is worked out', roles: TEAM_ROLES },
  'see-sessions': { says: 'see sessions, rooms and moves of your own', roles: TEAM_ROLES },
  'change-sessions': { says: 'change sessions, rooms and moves', roles: ['owner', 'trainer'] },
  'see-people': { says: 'see people and groups', roles: TEAM_ROLES },
  'change-people': { says: 'change people and groups', roles: ['owner', 'trainer'] },
  'see-records': { says: 'see what was done', roles: TEAM_ROLES },
  record: { says: 'record what was done', roles: ['owner', 'trainer', 'assistant'] },
  'change-records': { says: 'change what was recorded', roles: ['owner', 'trainer'] },
  'see-runs': { says: 'see runs', roles: TEAM_ROLES },
  'lead-runs': { says: 'lead a run', roles: ['owner', 'trainer', 'assistant'] },
  'make-runs': { says: 'make a run of a session', roles: ['owner', 'trainer'] },
  'hand-out-cards': { says: 'hand out cards that phones open', roles: ['owner', 'trainer'] },
  'see-reviews': { says: 'see what was signed', roles: TEAM_ROLES },
  sign: { says: 'sign who may do what', roles: ['owner', 'reader'] },
  'see-set-aside': { says: 'see documents that couldn’t be read', roles: ['owner', 'trainer'] },
  erase: { says: 'erase for good', roles: ['owner'] },
  'keep-copies': { says: 'make copies and bring them back', roles: ['owner'] },
  'open-network': { says: 'let other devices in', roles: ['owner'] },
  'manage-team': { says: 'change the team', roles: ['owner'] },
  'see-trail': { says: 'see who saw and changed what', roles: ['owner'] },
  'see-person-trail': { says: 'see who saw and changed somebody’s file', roles: ['owner', 'trainer'] },
});
export type ActionId = keyof typeof ACTIONS;
export const ACTION_IDS = Object.keys(ACTIONS) as readonly ActionId[];

/** Whether a role may; where there is no team, whoever is at the machine is its owner. */
export const may = (role: TeamRole, id: ActionId): boolean =>
  (ACTIONS[id].roles as readonly TeamRole[]).includes(role);
