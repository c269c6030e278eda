import * as z from 'zod';

/**
 * A schema that is built with the first value that is read by it, once: a page reads few of the schemas that come with
 * its script, and building all of them takes longer than the rest of it.
 */
export function lazily<S extends z.ZodType>(build: () => S): z.ZodLazy<S> {
  let built: S | undefined;
  return z.lazy(() => {
    built ??= build();
    return built;
  });
}
