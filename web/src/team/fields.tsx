import type { Group } from '@inner-rung/core/person';
import { TEAM_ROLE_SAYS, TEAM_ROLES, type TeamRole } from '@inner-rung/core/team';
import { Choice, Tick } from '../ui/choice.tsx';

/** Something typed, with what it is called above it. */
export function Field(props: {
  label: string;
  value: string;
  onValue: (value: string) => void;
  secret?: boolean;
  complete?: string;
}) {
  return (
    <label className="block">
      <span className="quiet block text-sm">{props.label}</span>
      <input
        type={props.secret ? 'password' : 'text'}
        className="input touch w-full max-w-sm"
        autoComplete={props.complete ?? 'off'}
        value={props.value}
        onChange={(event) => props.onValue(event.target.value)}
      />
    </label>
  );
}

/** What didn't work, said where it was tried. */
export function Wrong(props: { says: string }) {
  return props.says ? (
    <p role="alert" className="border-l-4 border-error px-3 font-semibold">
      {props.says}
    </p>
  ) : null;
}

export function RoleChoice(props: { name: string; value: TeamRole; onChoose: (role: TeamRole) => void }) {
  return (
    <Choice
      legend="What they are"
      name={props.name}
      column
      value={props.value}
      of={TEAM_ROLES.map((value) => ({
        value,
        says: (
          <span>
            <span className="font-semibold">{TEAM_ROLE_SAYS[value].name}</span>{' '}
            <span className="text-sm">{TEAM_ROLE_SAYS[value].may}</span>
          </span>
        ),
      }))}
      onChoose={props.onChoose}
    />
  );
}

/** Which groups somebody is given: all of them, or those ticked. Owners and clinicians aren't given any. */
export function GivenChoice(props: {
  groups: readonly Group[];
  given: readonly string[] | null;
  onGive: (given: readonly string[] | null) => void;
}) {
  const { groups, given } = props;
  return (
    <fieldset>
      <legend className="quiet text-sm">Groups they see</legend>
      <Tick on={given === null} onTurn={(on) => props.onGive(on ? null : [])}>
        All of them
      </Tick>
      {given !== null &&
        groups.map(({ id, name }) => (
          <Tick
            key={id}
            on={given.includes(id)}
            onTurn={(on) => props.onGive(on ? [...given, id] : given.filter((one) => one !== id))}
          >
            {name}
          </Tick>
        ))}
      {given !== null && (
        <p className="quiet text-sm">Besides: whoever is in no group, so that somebody new isn’t lost.</p>
      )}
    </fieldset>
  );
}
