import { classRows } from './class.ts';
import { figureRows } from './figures.ts';
import { forceRows } from './forces.ts';
import { shipped } from './generated.ts';
import { ladderRows } from './ladders.ts';
import { orderRows } from './order.ts';
import { paintRows } from './paint.ts';
import { readingRows } from './reading.ts';
import { roomRows } from './rooms.ts';
import { runRows } from './run.ts';
import { scalingRows } from './scaling.ts';
import { wallRows, weightRows } from './screens.ts';
import { sessionRows } from './session.ts';

const base = shipped();
const rows = [
  ...scalingRows(base),
  ...ladderRows(base),
  ...(await roomRows(base)),
  ...orderRows(base),
  ...readingRows(base),
  ...sessionRows(base),
  ...(await classRows(base)),
  ...runRows(base),
  ...(await figureRows(base)),
  ...forceRows(base),
  ...weightRows(),
  ...(await wallRows(base)),
  ...(await paintRows(base)),
];

if (process.argv.includes('--json')) process.stdout.write(`${JSON.stringify(rows, null, 2)}\n`);
else
  for (const r of rows)
    process.stdout.write(
      `${r.name}\n    median ${r.median.toFixed(2)} ${r.unit}, p95 ${r.p95.toFixed(2)} ${r.unit}${
        r.target === null ? '' : `, target ${r.target} ${r.unit}: ${r.met ? 'met' : 'missed'}`
      }${r.reference ? `; ${r.reference.name}: ${r.reference.median.toFixed(2)} ${r.unit}, ${r.reference.ratio.toFixed(1)} times as long` : ''}\n`,
    );
