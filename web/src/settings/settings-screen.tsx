import { ENGLISHES } from '@inner-rung/core/words';
import { Link } from 'react-router';
import { useApp, useSend } from '../store/index.ts';
import {
  englishChosen,
  letterKeysSet,
  themeChosen,
  typeChosen,
  unitsChosen,
  type View,
} from '../store/view-slice.ts';
import { Choice, Tick } from '../ui/choice.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';

const THEMES: readonly { value: View['theme']; says: string }[] = [
  { value: 'system', says: 'As this device' },
  { value: 'paper', says: 'Light, for planning' },
  { value: 'hall', says: 'Dark, for the hall' },
];
const TYPES: readonly { value: View['type']; says: string }[] = [
  { value: 'usual', says: 'Usual' },
  { value: 'large', says: 'Large' },
  { value: 'larger', says: 'Larger' },
];
const ENGLISH_SAYS = {
  British: 'British: press-up, on the spot',
  American: 'American: push-up, in place',
} as const;

/** How this browser shows things; none of it changes what is saved. */
export default function SettingsScreen() {
  const { theme, type, english, units, letterKeys } = useApp((state) => state.view);
  const send = useSend();
  const unit = <K extends keyof View['units']>(legend: string, of: K, all: readonly View['units'][K][]) => (
    <Choice
      legend={legend}
      name={of}
      value={units[of]}
      of={all.map((value) => ({ value, says: value }))}
      onChoose={(value) => send(unitsChosen({ [of]: value }))}
    />
  );
  return (
    <div className="min-h-dvh">
      <PartsHeader here="settings" />
      <main className="mx-auto grid max-w-3xl gap-6 px-4 py-6">
        <div>
          <h1 className="text-3xl">Settings</h1>
          <p className="quiet mt-1 max-w-prose">
            How things look in this browser, on this device. What is saved stays as it is.
          </p>
        </div>
        <Choice
          legend="Light and dark"
          name="theme"
          value={theme}
          of={THEMES}
          onChoose={(value) => send(themeChosen(value))}
        />
        <Choice
          legend="Size of type"
          name="type"
          value={type}
          of={TYPES}
          onChoose={(value) => send(typeChosen(value))}
        />
        <Choice
          legend="Moves are named in"
          name="english"
          value={english ?? 'session'}
          of={[
            { value: 'session', says: 'The words of each session' },
            ...ENGLISHES.map((one) => ({ value: one, says: ENGLISH_SAYS[one] })),
          ]}
          onChoose={(value) => send(englishChosen(ENGLISHES.find((one) => one === value) ?? null))}
        />
        <div className="flex flex-wrap gap-x-8 gap-y-4">
          {unit('Body mass', 'mass', ['kg', 'lb'])}
          {unit('Height', 'length', ['cm', 'in'])}
          {unit('Blood sugar', 'glucose', ['mmol/L', 'mg/dL'])}
        </div>
        <Tick on={letterKeys} onTurn={(on) => send(letterKeysSet(on))}>
          Single letters are keys (P pastes, T turns light and dark). Ctrl and arrow keys always work.
        </Tick>
        <p className="border-t-2 border-base-300 pt-4">
          <Link to="/team" className="link">
            Team
          </Link>
          : several people on one machine, each by name ·{' '}
          <Link to="/copies" className="link">
            Copies
          </Link>
          : everything kept, and brought back
        </p>
      </main>
    </div>
  );
}
