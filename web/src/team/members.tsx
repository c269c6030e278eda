import type { Group } from '@inner-rung/core/person';
import { TEAM_ROLE_SAYS, type TeamRole } from '@inner-rung/core/team';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { TeamMember } from '../store/api.ts';
import { asJson, useAsk } from '../store/use-ask.ts';
import { Dialog } from '../ui/dialog.tsx';
import { Field, GivenChoice, RoleChoice, Wrong } from './fields.tsx';

/** Roles that see groups, and so are given some or all. */
const isGiven = (role: TeamRole) => role === 'trainer' || role === 'assistant';

function givenSaid({ role, groups }: TeamMember, all: readonly Group[]): string {
  if (!isGiven(role)) return '';
  if (groups === null) return 'all groups';
  const names = all.filter(({ id }) => groups.includes(id)).map(({ name }) => name);
  return names.length > 0 ? names.join(', ') : 'no group yet';
}

/** Somebody new to the team, or another role, groups or passphrase for somebody who is in it. */
function MemberDialog(props: {
  member: TeamMember | null;
  groups: readonly Group[];
  onDone: () => void;
  onClose: () => void;
}) {
  const { member, groups } = props;
  const { ask, wrong, busy } = useAsk('/api/team/accounts');
  const [name, setName] = useState(member?.name ?? '');
  const [passphrase, setPassphrase] = useState('');
  const [role, setRole] = useState<TeamRole>(member?.role ?? 'trainer');
  const [given, setGiven] = useState<readonly string[] | null>(member?.groups ?? null);
  const [sure, setSure] = useState(false);
  const done = (answer: Response | null) => answer && props.onDone();
  const save = () => {
    const all = { name, role, groups: isGiven(role) ? given : null };
    const said = passphrase === '' ? all : { ...all, passphrase };
    return member ? ask(`/${member.id}`, asJson('PUT', said)) : ask('', asJson('POST', said));
  };
  return (
    <Dialog title={member ? member.name : 'Somebody more'} onClose={props.onClose}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void save().then(done);
        }}
      >
        <Field label="Name" value={name} onValue={setName} />
        <RoleChoice name="role" value={role} onChoose={setRole} />
        {isGiven(role) && <GivenChoice groups={groups} given={given} onGive={setGiven} />}
        <Field
          label={
            member
              ? 'Another passphrase, where theirs is lost; empty leaves it'
              : 'A first passphrase, ten letters at the least; they choose their own'
          }
          value={passphrase}
          onValue={setPassphrase}
          secret
          complete="new-password"
        />
        {member && <p className="quiet text-sm">A change signs them out everywhere.</p>}
        <Wrong says={wrong} />
        <div className="flex flex-wrap gap-2">
          <button
            type="submit"
            className="btn btn-primary touch"
            disabled={busy || name.trim() === '' || (!member && passphrase === '')}
          >
            {member ? 'Save' : 'Add to the team'}
          </button>
          {member && (
            <button
              type="button"
              className="btn touch"
              disabled={busy}
              onClick={() =>
                sure ? void ask(`/${member.id}`, { method: 'DELETE' }).then(done) : setSure(true)
              }
            >
              {sure ? `Yes, ${member.name} is out` : 'Out of the team'}
            </button>
          )}
        </div>
      </form>
    </Dialog>
  );
}

/** Who is in the team, as its owner sees it. */
export function Members(props: {
  team: readonly TeamMember[];
  groups: readonly Group[];
  onChanged: () => void;
}) {
  const [open, setOpen] = useState<TeamMember | 'new' | null>(null);
  return (
    <section aria-labelledby="members-h">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="members-h" className="mr-auto text-2xl">
          Who is in it
        </h2>
        <button type="button" className="btn btn-primary touch" onClick={() => setOpen('new')}>
          <Plus size={18} aria-hidden /> Somebody more
        </button>
      </div>
      <ul className="mt-2 divide-y-2 divide-base-300 border-y-2 border-base-300">
        {props.team.map((member) => (
          <li key={member.id} className="flex flex-wrap items-center gap-x-4 py-2">
            <div className="mr-auto min-w-0">
              <h3 className="text-lg wrap-anywhere">{member.name}</h3>
              <p className="quiet">
                {[TEAM_ROLE_SAYS[member.role].name, givenSaid(member, props.groups)]
                  .filter(Boolean)
                  .join(' · ')}
              </p>
            </div>
            <button
              type="button"
              className="btn btn-sm touch"
              aria-label={`Change ${member.name}`}
              onClick={() => setOpen(member)}
            >
              Change
            </button>
          </li>
        ))}
      </ul>
      {open && (
        <MemberDialog
          member={open === 'new' ? null : open}
          groups={props.groups}
          onClose={() => setOpen(null)}
          onDone={() => {
            setOpen(null);
            props.onChanged();
          }}
        />
      )}
    </section>
  );
}
