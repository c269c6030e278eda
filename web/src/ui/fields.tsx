import { useId, useState } from 'react';

/** A field of text that keeps what is typed while it isn't well formed yet. */
export function Text(props: {
  label: string;
  value: string;
  rows: number;
  onValue: (value: string) => boolean;
  children?: React.ReactNode;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const common = {
    id,
    className: `${props.rows > 1 ? 'textarea' : 'input touch'} w-full`,
    value: typed ?? props.value,
    onChange: (event: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      setTyped(event.target.value);
      props.onValue(event.target.value);
    },
    onBlur: () => setTyped(null),
  };
  return (
    <div>
      <label htmlFor={id} className="quiet block text-sm">
        {props.label}
      </label>
      {props.rows > 1 ? <textarea {...common} rows={props.rows} /> : <input {...common} />}
      {props.children}
    </div>
  );
}

/** A figure, kept as typed while it isn’t one yet. */
export function Num(props: {
  label: string;
  value: number | null;
  bare?: boolean;
  onValue: (value: number) => void;
  onEmpty?: () => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      aria-label={props.label}
      className={`input ${props.bare ? 'h-11 w-full px-2 text-right' : 'touch w-24 text-right'}`}
      inputMode="decimal"
      value={typed ?? (props.value === null ? '' : String(props.value))}
      placeholder={props.value === null ? '?' : ''}
      onChange={(event) => {
        setTyped(event.target.value);
        const value = Number(event.target.value.replace(',', '.'));
        if (event.target.value.trim() === '') props.onEmpty?.();
        else if (Number.isFinite(value) && value >= 0) props.onValue(value);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
