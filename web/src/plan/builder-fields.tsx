import { type Plan, REST_STYLES, type RestStyle } from '@inner-rung/core/session';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { NumberField } from '../ui/number-field.tsx';

export const RESTING = Object.fromEntries(
  Object.entries(REST_STYLES).map(([id, { says }]) => [id, says]),
) as Record<RestStyle, string>;

/** One of a few by name, or none of them where that has a name too. */
export function Among<Id extends string>(props: {
  label: string;
  value: Id | undefined;
  none?: string;
  of: Readonly<Record<Id, string>>;
  onChoose: (id: Id | undefined) => void;
}) {
  return (
    <label className="flex flex-col">
      <span className="quiet text-sm">{props.label}</span>
      <select
        className="select touch w-full"
        value={props.value ?? ''}
        onChange={(event) => props.onChoose((event.target.value || undefined) as Id | undefined)}
      >
        {props.none && <option value="">{props.none}</option>}
        {(Object.entries(props.of) as [Id, string][]).map(([id, says]) => (
          <option key={id} value={id}>
            {says}
          </option>
        ))}
      </select>
    </label>
  );
}

/** How hard it is meant to feel: for all, and for who is new to it. */
export function AimFields({ plan }: { plan: Plan }) {
  const send = useSend();
  const put = (aim: Plan['aim']) => send(planEvents.planPatched({ aim } as Partial<Plan>));
  const { aim } = plan;
  return (
    <>
      <div className="w-28">
        <NumberField
          label="Effort"
          unit="of 10"
          value={aim?.effort}
          min={1}
          max={10}
          step={1}
          onEmpty={() => put(undefined)}
          onChange={(effort) =>
            put({
              effort,
              ...(aim?.newcomers !== undefined && aim.newcomers < effort ? { newcomers: aim.newcomers } : {}),
            })
          }
        />
      </div>
      {aim && (
        <div className="w-28">
          <NumberField
            label="New to it"
            unit="of 10"
            value={aim.newcomers}
            min={1}
            max={aim.effort}
            step={1}
            onEmpty={() => put({ effort: aim.effort })}
            onChange={(newcomers) => put({ effort: aim.effort, newcomers })}
          />
        </div>
      )}
    </>
  );
}
