import type { LadderFinding } from '@inner-rung/core/ladder';

const WORD = { wrong: 'Wrong', doubtful: 'Doubtful', note: 'Note' } as const;

/** What a careful coach would say, beside what it is about, with the fix where there is one. */
export function Findings(props: {
  findings: readonly LadderFinding[];
  onFix: (finding: LadderFinding) => void;
}) {
  if (props.findings.length === 0) return null;
  return (
    <ul className="grid gap-1 py-1">
      {props.findings.map((finding) => (
        <li
          key={`${finding.check}/${finding.says}`}
          data-finding={finding.check}
          className={`flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 bg-base-100 py-1 pr-1 pl-2 text-[0.95rem] text-base-content ${finding.severity === 'note' ? 'border-base-300' : 'border-primary'}`}
        >
          <span className="min-w-0 flex-1 basis-60">
            <strong className="mr-1">{WORD[finding.severity]}:</strong>
            {finding.says}
          </span>
          {finding.fix && (
            <button type="button" className="btn btn-sm touch" onClick={() => props.onFix(finding)}>
              {finding.fix.label}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
