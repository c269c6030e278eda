import type { Finding } from '@inner-rung/core/review';
import { useState } from 'react';

/** What is worth a look: the top three, the rest on request; a fix in one tap, or let it stand with a reason. */
export function FindingsList(props: {
  findings: readonly Finding[];
  /** How many are shown at once. */
  most: number;
  onFix: (finding: Finding) => void;
  onGo: (finding: Finding) => void;
  onAccept: (finding: Finding, why: string | null) => void;
}) {
  const [all, setAll] = useState(false);
  const [asking, setAsking] = useState<string | null>(null);
  const [why, setWhy] = useState('');
  const open = props.findings.filter((f) => f.accepted === null);
  const stands = props.findings.filter((f) => f.accepted !== null);
  const shown = all ? open : open.slice(0, props.most);
  if (props.findings.length === 0) return null;
  const keyOf = (finding: Finding) => `${finding.check}/${finding.at}`;
  return (
    <section aria-label="Worth a look" className="max-h-52 overflow-auto px-4 py-1">
      <ul className="grid gap-1">
        {shown.map((finding) => (
          <li key={keyOf(finding)} data-check={finding.check} className="text-[0.95rem]">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-0.5">
              <span aria-hidden className="display text-primary">
                !
              </span>
              <p className="min-w-56 flex-1 leading-snug">
                {finding.severity === 'stop' && <strong>Before you go on: </strong>}
                {finding.station === null && finding.block === null ? (
                  finding.says
                ) : (
                  <button
                    type="button"
                    className="text-left decoration-dotted underline-offset-4 hover:underline"
                    onClick={() => props.onGo(finding)}
                  >
                    {finding.says}
                  </button>
                )}
              </p>
              {finding.fix && (
                <button type="button" className="btn btn-sm touch" onClick={() => props.onFix(finding)}>
                  {finding.fix.label}
                </button>
              )}
              {finding.severity !== 'stop' && (
                <button
                  type="button"
                  className="btn btn-ghost btn-sm touch"
                  aria-expanded={asking === keyOf(finding)}
                  onClick={() => {
                    setAsking(asking === keyOf(finding) ? null : keyOf(finding));
                    setWhy('');
                  }}
                >
                  Let it stand
                </button>
              )}
            </div>
            {asking === keyOf(finding) && (
              <form
                className="my-1 flex items-center gap-2 pl-6"
                onSubmit={(event) => {
                  event.preventDefault();
                  if (why.trim() === '') return;
                  props.onAccept(finding, why.trim());
                  setAsking(null);
                }}
              >
                <label className="flex flex-1 items-center gap-2">
                  Because
                  <input
                    className="input touch w-full"
                    value={why}
                    maxLength={200}
                    // biome-ignore lint/a11y/noAutofocus: the field was asked for
                    autoFocus
                    onChange={(event) => setWhy(event.target.value)}
                  />
                </label>
                <button type="submit" className="btn btn-sm touch" disabled={why.trim() === ''}>
                  Keep it
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
      {(open.length > props.most || stands.length > 0) && (
        <button
          type="button"
          className="quiet touch text-sm underline underline-offset-4"
          aria-expanded={all}
          onClick={() => setAll(!all)}
        >
          {all
            ? 'Fewer'
            : [
                open.length > props.most ? `${open.length - props.most} more` : '',
                stands.length > 0 ? `${stands.length} let stand` : '',
              ]
                .filter(Boolean)
                .join(', ')}
        </button>
      )}
      {all && stands.length > 0 && (
        <ul aria-label="Let stand" className="quiet text-sm">
          {stands.map((finding) => (
            <li key={keyOf(finding)} className="flex items-center gap-2">
              <span className="min-w-0 flex-1">
                {finding.says} Let stand: “{finding.accepted}”.
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-sm touch"
                onClick={() => props.onAccept(finding, null)}
              >
                Look again
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
