import type * as z from 'zod';

const STAND_FOR_ANOTHER = new Set([
  'optional',
  'nullable',
  'default',
  'prefault',
  'nonoptional',
  'catch',
  'readonly',
  'pipe',
  'lazy',
  'promise',
]);

/**
 * A schema that is built when it is first looked at, once: a page reads few of the schemas that come with its script,
 * and building all of them takes longer than the rest of it. Even `z.lazy` is a schema with all of its methods, and
 * there are a hundred of these; what stands in here is an empty thing until then. A schema that contains itself has to
 * say so with `z.lazy`. Throws when it is looked at where it only stands for another (optional, default, nullable …).
 */
export function lazily<S extends z.ZodType>(build: () => S): S {
  let built: S | undefined;
  const made = (): S => {
    if (built) return built;
    built = build();
    // What stands for another schema is told apart by itself when it is written as JSON Schema, and this isn't it.
    if (STAND_FOR_ANOTHER.has(built.def.type))
      throw new Error(
        `a schema that is ${built.def.type} is built where it stands, and what is in it lazily`,
      );
    return built;
  };
  return new Proxy({} as S, {
    get: (_, key) => Reflect.get(made(), key),
    set: (_, key, value) => Reflect.set(made(), key, value),
    has: (_, key) => Reflect.has(made(), key),
    getPrototypeOf: () => Object.getPrototypeOf(made()) as object | null,
  });
}
