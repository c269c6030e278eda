import { BANDS, MAX_RATE, RATE_SPREAD, type rateTargets } from '@inner-rung/core/person';
import { Scrolls } from '../ui/scrolls.tsx';

const LEFT = 178;

const WIDTH = 640;

const ROW = 46;

/** Each formula’s bands to one scale of beats a minute. */
export function RatePicture(props: { targets: ReturnType<typeof rateTargets>; top: number }) {
  const { targets } = props;
  const low = Math.floor(Math.min(...targets.map((t) => t.bands[0]!.from)) / 10) * 10;
  const high = Math.ceil(Math.max(...targets.map((t) => t.max)) / 10) * 10;
  const x = (bpm: number) => LEFT + ((bpm - low) / (high - low)) * (WIDTH - LEFT - 12);
  const height = targets.length * ROW + 26;
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="mt-2 hidden w-full max-w-3xl sm:block"
        aria-hidden="true"
      >
        {targets.map((target, row) => (
          <g key={target.formula} transform={`translate(0 ${row * ROW})`}>
            <text x="0" y="19" fontSize="14" fontWeight="600" fill="var(--color-base-content)">
              {MAX_RATE[target.formula].source.split(',')[0]}
            </text>
            <text x="0" y="34" fontSize="11.500" fill="var(--quiet)">
              {MAX_RATE[target.formula].name} = {target.max}
            </text>
            {target.bands.map((band, i) => (
              <g key={band.band} opacity={i > props.top ? 0.45 : 1}>
                <rect
                  x={x(band.from)}
                  y="6"
                  width={Math.max(0, x(band.to) - x(band.from))}
                  height="30"
                  fill={`var(--lane-${i})`}
                  stroke="var(--line)"
                  strokeWidth="1.500"
                />
                <text
                  x={x(band.from) + 5}
                  y="26"
                  fontSize="14"
                  fill={i === 3 ? 'var(--lane-3-ink)' : 'var(--lane-0-ink)'}
                >
                  {x(band.to) - x(band.from) > 34 ? band.from : ''}
                </text>
              </g>
            ))}
          </g>
        ))}
        {Array.from({ length: (high - low) / 10 + 1 }, (_, i) => low + i * 10)
          .filter((bpm) => bpm % 20 === 0)
          .map((bpm) => (
            <g key={bpm}>
              <path d={`M${x(bpm)} 2V${targets.length * ROW}`} stroke="var(--quiet)" strokeDasharray="2 5" />
              <text x={x(bpm)} y={height - 8} fontSize="12" textAnchor="middle" fill="var(--quiet)">
                {bpm}
              </text>
            </g>
          ))}
      </svg>
      <Scrolls label="Heart-rate targets" className="max-w-3xl overflow-x-auto">
        <table className="table table-sm">
          <caption className="quiet text-left text-sm">Beats a minute</caption>
          <thead>
            <tr className="text-base-content">
              <th scope="col">Formula</th>
              <th scope="col">Highest</th>
              {BANDS.map((band) => (
                <th key={band.id} scope="col">
                  {band.talk}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {targets.map((target) => (
              <tr key={target.formula}>
                <th scope="row" className="font-normal">
                  {MAX_RATE[target.formula].source}
                </th>
                <td>
                  {target.max - RATE_SPREAD}–{target.max + RATE_SPREAD}
                </td>
                {target.bands.map((band) => (
                  <td key={band.band} className="whitespace-nowrap">
                    {band.from}–{band.to}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
    </>
  );
}
