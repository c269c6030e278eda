import type { ClassPlan, LanesMade } from '../class/index.ts';
import type { Switches, Version } from '../engine/index.ts';
import type { Sums } from '../review/index.ts';
import type { Taking } from '../run/index.ts';
import type { Plan } from '../session/index.ts';

/** A class as it was planned, with who takes part. */
export interface PlannedClass {
  readonly plan: ClassPlan;
  /** Null until they are worked out. */
  readonly switches: Readonly<Record<string, readonly Switches[]>> | null;
  readonly taking: readonly Taking[];
}

/** A session as it was scaled for one person, or for a lane. */
export interface ScaledSession {
  readonly plan: Plan;
  readonly version: Version;
  readonly sums: Sums;
  readonly settled: { readonly lanes: LanesMade; readonly switches: readonly Switches[] } | null;
}
