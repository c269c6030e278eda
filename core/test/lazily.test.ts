import { lazily } from '@inner-rung/core/record';
import * as z from 'zod';

test('is built when it is first looked at, once, and then is what it stands for', () => {
  let built = 0;
  const name = lazily(() => {
    built++;
    return z.string().min(2);
  });
  const person = lazily(() => z.strictObject({ name, nick: name.optional() }));
  expect(built).toBe(0);
  expect(person.safeParse({ name: 'Maud' }).success).toBe(true);
  expect(person.safeParse({ name: 'M' }).error?.issues[0]).toMatchObject({
    code: 'too_small',
    path: ['name'],
  });
  expect(built).toBe(1);
  expect(person instanceof z.ZodObject).toBe(true);
});

test('says as JSON Schema what the schema says that it stands for', () => {
  const plain = z.strictObject({ at: z.array(z.number().int()).max(3), or: z.string().nullable() });
  const inside = lazily(() => z.number().int());
  const late = lazily(() =>
    z.strictObject({ at: z.array(inside).max(3), or: lazily(() => z.string()).nullable() }),
  );
  expect(z.toJSONSchema(late)).toEqual(z.toJSONSchema(plain));
});

test.each([
  ['optional', () => z.string().optional()],
  ['nullable', () => z.string().nullable()],
  ['default', () => z.string().default('x')],
  ['pipe', () => z.string().transform(Number)],
  ['lazy', () => z.lazy(() => z.string())],
] as const)('what only stands for another (%s) is refused, as JSON Schema couldn’t tell it', (is, build) => {
  expect(() => lazily(build as () => z.ZodType).parse('x')).toThrow(`a schema that is ${is}`);
});
