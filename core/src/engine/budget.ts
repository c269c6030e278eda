/** One way to fill a station: a form at a pace, its cost, and its landings over the session. */
export interface Choice {
  readonly form: number;
  /** NaN for a hold. */
  readonly pace: number;
  readonly cost: number;
  readonly light: number;
  readonly high: number;
}

export interface LandingBudget {
  readonly light: number;
  readonly high: number;
}

interface Label {
  readonly cost: number;
  readonly light: number;
  readonly high: number;
  readonly picks: readonly (Choice | null)[];
}

const dominates = (a: Omit<Label, 'picks'>, b: Omit<Label, 'picks'>) =>
  a.cost <= b.cost && a.light <= b.light && a.high <= b.high;

/** Keeps what no other beats in cost and in both kinds of landing; the earlier wins a tie. */
function frontier<T extends Omit<Label, 'picks'>>(items: readonly T[]): T[] {
  const sorted = items
    .map((item, order) => ({ item, order }))
    .sort(
      (a, b) =>
        a.item.cost - b.item.cost ||
        a.item.high - b.item.high ||
        a.item.light - b.item.light ||
        a.order - b.order,
    );
  const kept: T[] = [];
  for (const { item } of sorted) if (!kept.some((k) => dominates(k, item))) kept.push(item);
  return kept;
}

/**
 * The cheapest choice for every station that stays within the session's landings. Stations are free of
 * one another but for the budget, so where the free choice fits it stands; otherwise labels of
 * (cost, light, hard) are carried from station to station and the dominated dropped, which is exact
 * over the options given. A null choice is rest.
 */
export function withinBudgets(
  free: readonly (Choice | null)[],
  budget: LandingBudget,
  restCost: number,
  options: (station: number) => readonly Choice[],
): (Choice | null)[] {
  const spent = (key: 'light' | 'high') => free.reduce((sum, c) => sum + (c?.[key] ?? 0), 0);
  if (spent('light') <= budget.light && spent('high') <= budget.high) return [...free];
  let labels: Label[] = [{ cost: 0, light: 0, high: 0, picks: [] }];
  for (let station = 0; station < free.length; station++) {
    const list = frontier(options(station));
    const next: Label[] = [];
    for (const label of labels) {
      for (const pick of [...list, null]) {
        const light = label.light + (pick?.light ?? 0);
        const high = label.high + (pick?.high ?? 0);
        if (light > budget.light || high > budget.high) continue;
        next.push({
          cost: label.cost + (pick?.cost ?? restCost),
          light,
          high,
          picks: [...label.picks, pick],
        });
      }
    }
    labels = frontier(next);
  }
  return [...labels[0]!.picks];
}
