import { encodeLibrary } from '@inner-rung/core/forms';
import { centreRows } from './centre.ts';
import { classRows } from './class.ts';
import { figureRows } from './figures.ts';
import { forceRows } from './forces.ts';
import { gapRows } from './gaps.ts';
import { shipped } from './generated.ts';
import { ladderRows } from './ladders.ts';
import type { Row } from './measure.ts';
import { orderRows } from './order.ts';
import { paintRows } from './paint.ts';
import { readingRows } from './reading.ts';
import { roomRows } from './rooms.ts';
import { runRows } from './run.ts';
import { scalingRows } from './scaling.ts';
import { wallRows, weightRows } from './screens.ts';
import { sessionRows } from './session.ts';

const base = shipped();
const PARTS: Readonly<Record<string, () => Row[] | Promise<Row[]>>> = {
  scaling: () => scalingRows(base),
  ladders: () => ladderRows(base),
  rooms: () => roomRows(base),
  order: () => orderRows(base),
  reading: () => readingRows(base),
  session: () => sessionRows(base),
  class: () => classRows(base),
  gaps: () => gapRows(base),
  run: () => runRows(base),
  figures: () => figureRows(base),
  forces: () => forceRows(base),
  centre: () => centreRows(encodeLibrary(base)),
  weight: () => weightRows(),
  wall: () => wallRows(base),
  paint: () => paintRows(base),
};
// All of it, or the parts that are named: npm run bench -- class paint
const named = process.argv.slice(2).filter((word) => !word.startsWith('--'));
for (const name of named)
  if (!PARTS[name]) {
    process.stderr.write(`There is no part “${name}”: ${Object.keys(PARTS).join(', ')}.\n`);
    process.exit(1);
  }
const rows: Row[] = [];
for (const [name, measured] of Object.entries(PARTS))
  if (named.length === 0 || named.includes(name)) rows.push(...(await measured()));

if (process.argv.includes('--json')) process.stdout.write(`${JSON.stringify(rows, null, 2)}\n`);
else
  for (const r of rows)
    process.stdout.write(
      `${r.name}\n    median ${r.median.toFixed(2)} ${r.unit}, p95 ${r.p95.toFixed(2)} ${r.unit}${
        r.target === null ? '' : `, target ${r.target} ${r.unit}: ${r.met ? 'met' : 'missed'}`
      }${r.reference ? `; ${r.reference.name}: ${r.reference.median.toFixed(2)} ${r.unit}, ${r.reference.ratio.toFixed(1)} times as long` : ''}\n`,
    );
