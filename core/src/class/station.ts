/** One station of a class: what each kind of person would pay for each form, and what showing a form costs. */
export interface StationProblem {
  /** Milli-points, people down, forms across; Infinity where a form isn't open to somebody. */
  readonly costs: readonly Float64Array[];
  /** How many people each row stands for. */
  readonly weights: readonly number[];
  readonly show: Float64Array;
  /** What somebody costs for whom none of the forms shown is open. */
  readonly rest: number;
  /** At most so many forms, but for the free one. */
  readonly most: number;
  /** A form that is shown anyway and takes no place: the trainer's own, as written. None where it is absent. */
  readonly free?: number | undefined;
}

/** Shown before anything is chosen. */
const shownAnyway = ({ free }: StationProblem): readonly number[] => (free === undefined ? [] : [free]);

export interface StationAnswer {
  /** Forms shown, in the order of their columns. */
  readonly forms: readonly number[];
  /** For each row the form they do; −1 is rest. */
  readonly assigned: readonly number[];
  readonly cost: number;
  /** No choice of forms costs less than this; the cost itself where it is proven best. */
  readonly atLeast: number;
}

/** Nodes looked at before the search gives up on a proof. */
const NODES = 60_000;

const total = (p: StationProblem, forms: readonly number[]): number => {
  let sum = forms.reduce((all, f) => all + p.show[f]!, 0);
  for (let g = 0; g < p.costs.length; g++) {
    let least = p.rest;
    for (const f of forms) least = Math.min(least, p.costs[g]![f]!);
    sum += p.weights[g]! * least;
  }
  return sum;
};

/** Forms that another beats or equals for everybody and in the showing are never needed; the earlier wins a tie. */
export function undominated(
  p: StationProblem,
  /** What besides must not be more of one than of the other: what each takes. */
  noMore: (k: number, f: number) => boolean = () => true,
): number[] {
  const n = p.show.length;
  const rows = p.costs;
  const people = rows.length;
  const sums = new Float64Array(n);
  const open: number[] = [];
  for (let f = 0; f < n; f++) {
    let sum = p.show[f]!;
    let any = false;
    for (let g = 0; g < people; g++) {
      const cost = rows[g]![f]!;
      if (cost < p.rest) any = true;
      sum += p.weights[g]! * Math.min(cost, p.rest);
    }
    sums[f] = sum;
    if (any) open.push(f);
  }
  open.sort((a, b) => sums[a]! - sums[b]! || a - b);
  const kept: number[] = [];
  const beats = (k: number, f: number): boolean => {
    if (p.show[k]! > p.show[f]! || !noMore(k, f)) return false;
    for (let g = 0; g < people; g++) if (rows[g]![k]! > rows[g]![f]!) return false;
    return true;
  };
  for (const f of open) {
    let beaten = false;
    for (let i = 0; i < kept.length && !beaten; i++) beaten = beats(kept[i]!, f);
    if (!beaten) kept.push(f);
  }
  return kept.sort((a, b) => a - b);
}

/** A good choice to begin from: forms taken in one by one, then swapped while that helps. */
function greedy(p: StationProblem, forms: readonly number[]): number[] {
  const first = shownAnyway(p);
  let chosen: number[] = [...first];
  let cost = total(p, chosen);
  const places = p.most + first.length;
  const improve = (candidates: readonly (readonly number[])[]): boolean => {
    let best: readonly number[] | null = null;
    for (const candidate of candidates) {
      const c = total(p, candidate);
      if (c < cost) {
        cost = c;
        best = candidate;
      }
    }
    if (best) chosen = [...best];
    return best !== null;
  };
  while (
    chosen.length < places &&
    improve(forms.filter((f) => !chosen.includes(f)).map((f) => [...chosen, f]))
  ) {
    // Each pass takes in the form that helps most.
  }
  for (let pass = 0; pass < 10; pass++) {
    const out = chosen.flatMap((f, i) => (f === p.free ? [] : [chosen.filter((_, k) => k !== i)]));
    const swaps = out.flatMap((rest) => forms.filter((f) => !chosen.includes(f)).map((f) => [...rest, f]));
    if (!improve([...out, ...swaps])) break;
  }
  return chosen;
}

/**
 * The forms to show at a station, at most so many, so that showing them and what everybody then does costs
 * least. Exact by branching on which form serves the person who has most to gain; a bound is given where the
 * search had to stop. Same input, same answer: ties go to the earlier form.
 */
export function solveStation(p: StationProblem): StationAnswer {
  const first = shownAnyway(p);
  const places = p.most + first.length;
  const forms = undominated(p).filter((f) => f !== p.free);
  const people = p.costs.length;
  let best = greedy(p, forms);
  let cost = total(p, best);
  let nodes = 0;
  let stopped = false;
  let open = Number.POSITIVE_INFINITY;

  const branch = (chosen: readonly number[], allowed: readonly number[]): void => {
    nodes++;
    const shown = chosen.reduce((sum, f) => sum + p.show[f]!, 0);
    const current = new Float64Array(people).fill(p.rest);
    let now = shown;
    for (let g = 0; g < people; g++) {
      for (const f of chosen) current[g] = Math.min(current[g]!, p.costs[g]![f]!);
      now += p.weights[g]! * current[g]!;
    }
    if (now < cost) {
      cost = now;
      best = [...chosen];
    }
    if (chosen.length >= places || allowed.length === 0) return;
    // What could be had at best from here: everybody their favourite of what is still allowed, one more shown.
    let bound = shown;
    let gain = 0;
    let who = -1;
    let leastShow = Number.POSITIVE_INFINITY;
    for (const f of allowed) leastShow = Math.min(leastShow, p.show[f]!);
    for (let g = 0; g < people; g++) {
      let least = current[g]!;
      for (const f of allowed) least = Math.min(least, p.costs[g]![f]!);
      bound += p.weights[g]! * least;
      const worth = p.weights[g]! * (current[g]! - least);
      if (worth > gain) {
        gain = worth;
        who = g;
      }
    }
    if (who < 0 || bound + leastShow >= cost) return;
    if (nodes > NODES) {
      stopped = true;
      open = Math.min(open, bound + leastShow);
      return;
    }
    const row = p.costs[who]!;
    const better = allowed.filter((f) => row[f]! < current[who]!).sort((a, b) => row[a]! - row[b]! || a - b);
    let left = allowed;
    // Either this is the best form they get, and none better is shown; or none of these is.
    for (const f of better) {
      left = left.filter((other) => other !== f);
      branch([...chosen, f], left);
    }
    branch(chosen, left);
  };
  branch(first, forms);

  const chosen = [...best].sort((a, b) => a - b);
  const assigned = p.costs.map((row) => {
    let form = -1;
    for (const f of chosen) if (row[f]! < (form < 0 ? p.rest : row[form]!)) form = f;
    return form;
  });
  // A form nobody does isn't shown.
  const used = chosen.filter((f) => assigned.includes(f));
  return { forms: used, assigned, cost, atLeast: stopped ? Math.min(cost, open) : cost };
}
