/** Somebody who looks on while it happens. */
export interface Looking {
  readonly run: string;
  /** Whose own link it is; null for the trainer's devices. */
  readonly person: string | null;
  /** The hash of the sign-in it came with; null at the machine itself. */
  readonly session: string | null;
}

/** Event streams that are open, so that each ends with what let it in. */
export function streams() {
  const open = new Map<Looking, () => void>();
  return {
    /** Says how to end it; answers how to forget it once it has ended by itself. */
    add(looking: Looking, end: () => void): () => void {
      open.set(looking, end);
      return () => open.delete(looking);
    },
    end(which: (looking: Looking) => boolean): void {
      for (const [looking, end] of [...open]) {
        if (!which(looking)) continue;
        open.delete(looking);
        end();
      }
    },
  };
}
export type Streams = ReturnType<typeof streams>;
