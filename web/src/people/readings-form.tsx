import { MG_PER_MMOL, type Readings, readingsSchema, type Today } from '@inner-rung/core/person';
import { useMemo } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { useApp } from '../store/index.ts';
import { Tick } from '../ui/choice.tsx';
import { Fold } from '../ui/fold.tsx';
import { useDraft } from '../ui/use-draft.ts';

const NO_READINGS = {
  systolic: '',
  diastolic: '',
  pulse: '',
  glucose: '',
  ketones: '',
  oxygen: '',
  irregular: false,
};

type Typed = typeof NO_READINGS;

/** Readings as typed, kept through a reload; those that make sense are on the sheet at once. */
export function ReadingsForm(props: {
  page: PersonPage;
  sheet: Today;
  onKeep: (readings: Readings) => void;
}) {
  const { sheet } = props;
  const unit = useApp((state) => state.view.units.glucose);
  const kept = useMemo((): Typed => {
    const r = sheet.readings;
    const words = (n: number | undefined) => (n === undefined ? '' : String(n));
    return {
      systolic: words(r.systolic),
      diastolic: words(r.diastolic),
      pulse: words(r.pulse),
      glucose: words(
        r.glucoseMmol === undefined
          ? undefined
          : unit === 'mmol/L'
            ? r.glucoseMmol
            : Math.round(r.glucoseMmol * MG_PER_MMOL),
      ),
      ketones: words(r.ketonesMmol),
      oxygen: words(r.oxygenPercent),
      irregular: r.irregular ?? false,
    };
  }, [sheet.readings, unit]);
  const [typed, put, clear] = useDraft<Typed>(`readings/${props.page.person.id}/${sheet.on}`, kept);
  const parse = (form: Typed) => {
    const figure = (text: string) => (text.trim() === '' ? undefined : Number(text.replace(',', '.')));
    const glucose = figure(form.glucose);
    const given = {
      systolic: figure(form.systolic),
      diastolic: figure(form.diastolic),
      pulse: figure(form.pulse),
      glucoseMmol:
        glucose === undefined || unit === 'mmol/L' ? glucose : Math.round((glucose / MG_PER_MMOL) * 10) / 10,
      ketonesMmol: figure(form.ketones),
      oxygenPercent: figure(form.oxygen),
      irregular: form.irregular || undefined,
    };
    return readingsSchema.safeParse(
      Object.fromEntries(Object.entries(given).filter(([, v]) => v !== undefined)),
    );
  };
  const read = parse(typed);
  const change = (patch: Partial<Typed>) => {
    const next = { ...typed, ...patch };
    put(patch);
    const now = parse(next);
    if (now.success) props.onKeep(now.data);
  };
  const wrong = (field: string) => {
    const issue = read.success ? undefined : read.error.issues.find((i) => i.path[0] === field);
    return issue ? (
      <span role="alert" className="block max-w-44 text-sm font-semibold text-error">
        {issue.message}
      </span>
    ) : null;
  };
  const field = (name: keyof Typed & string, label: string, path: string, suffix: string) => (
    <label className="block">
      <span className="quiet block text-sm">{label}</span>
      <span className="flex items-baseline gap-1">
        <input
          className="input touch w-20 text-right"
          inputMode="decimal"
          value={String(typed[name])}
          aria-invalid={wrong(path) !== null}
          onChange={(event) => change({ [name]: event.target.value })}
        />
        <span className="text-sm">{suffix}</span>
      </span>
      {wrong(path)}
    </label>
  );
  const any = Object.values(typed).some((v) => v !== '' && v !== false);
  return (
    <Fold className="mt-4" begins={any} summary="display text-xl" says="A reading, if they take one">
      <div className="mt-1 flex flex-wrap items-start gap-x-5 gap-y-2">
        {field('systolic', 'Blood pressure, upper', 'systolic', 'over')}
        {field('diastolic', 'and lower', 'diastolic', 'mmHg')}
        {field('pulse', 'Pulse at rest', 'pulse', 'a minute')}
        {field('glucose', 'Glucose', 'glucoseMmol', unit)}
        {field('ketones', 'Ketones', 'ketonesMmol', 'mmol/L')}
        {field('oxygen', 'Oxygen', 'oxygenPercent', '%')}
      </div>
      <Tick on={typed.irregular} onTurn={(irregular) => change({ irregular })}>
        The pulse is irregular
      </Tick>
      {any && (
        <button
          type="button"
          className="btn btn-sm touch"
          onClick={() => {
            clear();
            put(NO_READINGS);
            props.onKeep({});
          }}
        >
          Clear the readings
        </button>
      )}
    </Fold>
  );
}
