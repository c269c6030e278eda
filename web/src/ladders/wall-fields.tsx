export function Field(props: { label: string; id: string; children: React.ReactNode }) {
  return (
    <div>
      <label htmlFor={props.id} className="quiet block text-sm">
        {props.label}
      </label>
      {props.children}
    </div>
  );
}

export function SelectField(props: {
  id: string;
  label: string;
  value: string;
  none?: string;
  options: readonly (readonly [string, string])[];
  onChoose: (value: string) => void;
}) {
  return (
    <Field label={props.label} id={props.id}>
      <select
        id={props.id}
        className="select touch w-44"
        value={props.value}
        onChange={(event) => props.onChoose(event.target.value)}
      >
        {props.none && <option value="">{props.none}</option>}
        {props.options.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
    </Field>
  );
}
