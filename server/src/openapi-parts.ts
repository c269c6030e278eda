import * as z from 'zod';

export const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
/** A schema as JSON Schema, as a body is written rather than as it is read. */
export const json = (schema: z.ZodType) => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, {
    io: 'input',
    unrepresentable: 'any',
    override: ({ jsonSchema }) => {
      const { document } = jsonSchema as { document?: string };
      if (document === undefined) return;
      delete (jsonSchema as { document?: string }).document;
      jsonSchema.$ref = ref(schemaName(document)).$ref;
    },
  });
  return rest;
};

/** "Session" for a session document, "RecordOfASession" for a record of a session. */
export const schemaName = (name: string): string =>
  name.replace(/(^| )([a-z])/g, (_, __, letter: string) => letter.toUpperCase());

export const body = (schema: object) => ({ content: { 'application/json': { schema } } });
export const answer = (description: string, schema?: object) => ({
  description,
  ...(schema ? body(schema) : {}),
});
export const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: ref('Problem') } },
});
export const header = (name: string, description: string, required: boolean) => ({
  name,
  in: 'header',
  required,
  description,
  schema: { type: 'string' },
});
