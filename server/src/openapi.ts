import { QUESTION_IDS, QUESTIONS, type QuestionId } from '@inner-rung/core/ask';
import { RECORDS } from '@inner-rung/core/records';
import { runEventSchema, runSchema } from '@inner-rung/core/run';
import * as z from 'zod';
import { answer, body, header, json, problem, ref, schemaName } from './openapi-parts.ts';
import { TEAM_PATHS } from './openapi-team.ts';

const problemSchema = z.object({
  type: z.string(),
  status: z.number().int(),
  title: z.string(),
  detail: z.string(),
  field: z.string().optional().describe('the field it is about'),
  fix: z.string().optional(),
  revision: z.number().int().optional().describe('the revision that stands'),
});

const token = { name: 'token', in: 'path', required: true, schema: { type: 'string' } };
const copyName = { name: 'name', in: 'path', required: true, schema: { type: 'string' } };
const id = { name: 'id', in: 'path', required: true, schema: { type: 'string' } };

/** Questions at addresses of their own, besides /api/ask. */
export const PUBLISHED: Readonly<Record<string, QuestionId>> = {
  '/timeline': 'timeline',
  '/scale': 'versions',
  '/class-plan': 'class-plan',
  '/read': 'read',
};

/** The whole interface described, made from the schemas that check it. */
export function openApi() {
  const paths: Record<string, unknown> = {
    '/api/health': {
      get: { summary: 'Is it there?', responses: { 200: answer('It is.', { type: 'object' }) } },
    },
    '/api/library': {
      get: {
        summary: 'The movement library, compiled',
        responses: {
          200: { description: 'Its file.', content: { 'application/vnd.inner-rung.library': {} } },
          304: answer('As it was.'),
        },
      },
    },
    '/api/set-aside': {
      get: {
        summary: 'Documents that could not be read, kept as they are',
        responses: { 200: answer('The list.', { type: 'array', items: { type: 'object' } }) },
      },
    },
    '/api/erased': {
      post: {
        summary: 'Which of these people were erased, so that a browser lets go of what it keeps of them',
        requestBody: {
          required: true,
          ...body({
            type: 'object',
            required: ['people'],
            properties: { people: { type: 'array', items: { type: 'string' } } },
          }),
        },
        responses: { 200: answer('Those of them.', { type: 'object' }), 422: problem('Not a list of ids.') },
      },
    },
    '/api/openapi.json': {
      get: { summary: 'This description', responses: { 200: answer('OpenAPI 3.1.', { type: 'object' }) } },
    },
    '/api/runs': {
      get: {
        summary: 'Runs, the newest first, each not begun, under way or over',
        responses: {
          200: answer('The list.', {
            type: 'array',
            items: {
              type: 'object',
              required: ['id', 'title', 'plan', 'on', 'group', 'people', 'daysAgo', 'is'],
              properties: {
                id: { type: 'string' },
                title: { type: 'string' },
                plan: { type: 'string' },
                on: { type: 'string', format: 'date' },
                group: { type: ['string', 'null'] },
                people: { type: 'integer' },
                daysAgo: { type: 'integer' },
                is: { enum: ['not begun', 'under way', 'over'] },
              },
            },
          }),
        },
      },
      post: {
        summary: 'A run, made from a session and who is there, by value',
        requestBody: { required: true, ...body(ref('Run')) },
        responses: {
          201: answer('Its id.', { type: 'object' }),
          412: problem('There is one of that name.'),
          422: problem('Not a run: the field is named.'),
        },
      },
    },
    '/api/runs/taken': {
      post: {
        summary: 'A run that went on elsewhere, with all that happened in it',
        description:
          'Events keep the moments they have. A run that is here already gets what it hasn’t got; nothing is taken away.',
        requestBody: {
          required: true,
          ...body({
            type: 'object',
            required: ['run', 'events'],
            properties: { run: ref('Run'), events: { type: 'array', items: ref('RunEvent') } },
          }),
        },
        responses: {
          200: answer('Its id, and how many events were new.', { type: 'object' }),
          422: problem('Not a run: the field is named.'),
        },
      },
    },
    '/api/runs/{id}/pack': {
      parameters: [id],
      get: {
        summary: 'The session as one HTML file that runs without a server',
        responses: {
          200: { description: 'The file.', content: { 'text/html': {} } },
          404: problem('No such run.'),
        },
      },
    },
    '/api/runs/{id}': {
      parameters: [id],
      get: {
        summary: 'A run, everything that happened in it, and its own clock in milliseconds',
        responses: { 200: answer('The run.', { type: 'object' }), 404: problem('No such run.') },
      },
    },
    '/api/runs/{id}/now': {
      parameters: [id],
      get: {
        summary: 'The clock of a run, in milliseconds since it was made',
        responses: { 200: answer('Now.', { type: 'object' }), 404: problem('No such run.') },
      },
    },
    '/api/runs/{id}/events': {
      parameters: [id],
      post: {
        summary: 'What was pressed',
        description:
          'One event or several. `at` is the run’s clock as the sender had it; without one, or ahead of the clock, it is now. Sent twice it is there once.',
        requestBody: { required: true, ...body({ type: 'array', items: ref('RunEvent') }) },
        responses: {
          200: answer('The events as they were taken in.', { type: 'object' }),
          404: problem('No such run.'),
          409: problem('Too much for one run.'),
          422: problem('Not an event: the field is named.'),
        },
      },
    },
    '/api/runs/{id}/stream': {
      parameters: [id],
      get: {
        summary: 'What is pressed, as it is pressed (server-sent events)',
        responses: { 200: { description: 'A stream.', content: { 'text/event-stream': {} } } },
      },
    },
    '/api/runs/{id}/links': {
      parameters: [id],
      post: {
        summary: 'A link for one person of a run',
        requestBody: {
          required: true,
          ...body({ type: 'object', required: ['person'], properties: { person: { type: 'string' } } }),
        },
        responses: {
          201: answer('Its token, told once.', { type: 'object' }),
          422: problem('Nobody of that name is in it.'),
        },
      },
    },
    '/api/p/{token}': {
      parameters: [token],
      get: {
        summary: 'A run as one of its people may see it; no passcode',
        responses: {
          200: answer('Their own run.', { type: 'object' }),
          404: problem('No such link.'),
          410: problem('The session is over.'),
        },
      },
    },
    '/api/p/{token}/now': {
      parameters: [token],
      get: { summary: 'The clock of that run', responses: { 200: answer('Now.', { type: 'object' }) } },
    },
    '/api/p/{token}/stream': {
      parameters: [token],
      get: {
        summary: 'What happens to them and to the clock (server-sent events)',
        responses: { 200: { description: 'A stream.', content: { 'text/event-stream': {} } } },
      },
    },
    '/api/cards': {
      post: {
        summary: 'Cards that codes on paper open, each for one person and for a month',
        requestBody: {
          required: true,
          ...body({
            type: 'object',
            required: ['cards'],
            properties: {
              cards: {
                type: 'array',
                items: {
                  type: 'object',
                  required: ['person', 'card'],
                  properties: { person: { type: 'string' }, card: { type: 'object' } },
                },
              },
            },
          }),
        },
        responses: {
          201: answer('Their tokens, told once, in the same order.', { type: 'object' }),
          409: problem('The local network isn’t let in.'),
          422: problem('Not cards.'),
        },
      },
      delete: { summary: 'No code opens a card any more', responses: { 204: { description: 'Done.' } } },
    },
    '/api/c/{token}': {
      parameters: [token],
      get: {
        summary: 'A card as it was printed; no passcode',
        responses: {
          200: answer('The card.', { type: 'object' }),
          404: problem('No such card, or no more.'),
        },
      },
    },
    '/api/network': {
      get: {
        summary: 'Whether the local network may come in',
        responses: { 200: answer('How it stands.', { type: 'object' }) },
      },
      put: {
        summary: 'Opens or shuts it, on the machine itself alone',
        requestBody: {
          required: true,
          ...body({
            type: 'object',
            required: ['on'],
            properties: {
              on: { type: 'boolean' },
              passcode: { type: 'string', minLength: 6 },
              sealed: { type: 'boolean', default: true, description: 'by HTTPS, with its own certificate' },
            },
          }),
        },
        responses: {
          200: answer('How it stands.', { type: 'object' }),
          403: problem('Not on the machine itself.'),
          409: problem('The port is in use.'),
          422: problem('No passcode, or too short.'),
        },
      },
    },
    '/api/network/sign-out': {
      post: { summary: 'Signs everybody out', responses: { 204: answer('Done.') } },
    },
    '/api/copies': {
      get: {
        summary: 'Copies of everything, the newest first',
        responses: { 200: answer('With what each holds.') },
      },
      post: { summary: 'Makes one now', responses: { 201: answer('The copy.') } },
    },
    '/api/copies/{name}/restore': {
      post: {
        summary: 'Brings one back; what stands is copied first',
        parameters: [copyName],
        responses: {
          200: answer('Both copies.'),
          404: problem('No such copy.'),
          422: problem('It can’t be read.'),
        },
      },
    },
    '/api/copies/{name}/file': {
      post: {
        summary: 'One as a file sealed with a passphrase',
        parameters: [copyName],
        requestBody: {
          required: true,
          ...body({
            type: 'object',
            required: ['passphrase'],
            properties: { passphrase: { type: 'string' } },
          }),
        },
        responses: { 200: answer('The file.'), 422: problem('Too short a passphrase.') },
      },
    },
    '/api/copies/file': {
      post: {
        summary: 'Takes in such a file as a copy; X-Passphrase has its passphrase, base64',
        requestBody: { required: true, content: { 'application/octet-stream': {} } },
        responses: { 201: answer('The copy.'), 422: problem('Another passphrase, cut, or none of ours.') },
      },
    },
    '/api/sign-out': {
      post: { summary: 'Signs this device out', responses: { 204: answer('Done.') } },
    },
    '/api/sign-in': {
      post: {
        summary: 'In from the network by passcode, or anywhere by name and passphrase where there is a team',
        requestBody: {
          required: true,
          ...body({
            type: 'object',
            properties: {
              passcode: { type: 'string' },
              name: { type: 'string' },
              passphrase: { type: 'string' },
            },
          }),
        },
        responses: {
          204: answer('A cookie for half a day.'),
          401: problem('Not the passcode, or not a name and its passphrase.'),
          429: problem('Too many tries.'),
        },
      },
    },
  };
  Object.assign(paths, TEAM_PATHS);
  const answers: Record<string, object> = {};
  const addressed: [string, QuestionId][] = [
    ...Object.entries(PUBLISHED).map(([path, id]): [string, QuestionId] => [`/api${path}`, id]),
    ...QUESTION_IDS.map((id): [string, QuestionId] => [`/api/ask/${id}`, id]),
  ];
  for (const [path, question] of addressed) {
    const { says, asks, answers: shape } = QUESTIONS[question];
    const reply = schemaName(question.replaceAll('-', ' '));
    if (shape) answers[reply] = json(shape);
    paths[path] = {
      post: {
        summary: says,
        description: 'By value: nothing is stored, and the day is a part of the question.',
        requestBody: { required: true, ...body(json(asks)) },
        responses: {
          200: answer('The answer.', shape ? ref(reply) : {}),
          400: problem('Not JSON, or nested too deeply.'),
          413: problem('Too large.'),
          422: problem('The field is named.'),
          503: problem('Too many questions are waiting, or this one took too long.'),
        },
      },
    };
  }
  for (const { collection: path, name: called } of RECORDS) {
    const name = schemaName(called);
    const stored = {
      type: 'object',
      required: ['id', 'revision', 'savedAt', 'body'],
      properties: {
        id: { type: 'string' },
        revision: { type: 'integer' },
        savedAt: { type: 'string' },
        body: ref(name),
      },
    };
    paths[`/api/${path}`] = {
      get: {
        summary: `All ${path}`,
        responses: { 200: answer('Newest first.', { type: 'array', items: stored }) },
      },
    };
    paths[`/api/${path}/{id}`] = {
      parameters: [id],
      get: {
        summary: `One of the ${path}`,
        responses: { 200: answer('With its revision as ETag.', stored), 404: problem('Not here.') },
      },
      put: {
        summary: 'Created with If-None-Match: *, replaced with If-Match: its revision',
        parameters: [
          header('If-None-Match', '* to create', false),
          header('If-Match', 'the revision that is replaced', false),
        ],
        requestBody: { required: true, ...body(ref(name)) },
        responses: {
          200: answer('Replaced.', { type: 'object' }),
          201: answer('Created.', { type: 'object' }),
          412: problem('Changed elsewhere: which revision stands.'),
          422: problem('Not well formed: the field is named.'),
          428: problem('Neither header was sent.'),
        },
      },
      delete: {
        summary: 'Deleted',
        parameters: [header('If-Match', 'the revision that is deleted', true)],
        responses: { 204: answer('Gone.'), 412: problem('Changed elsewhere.') },
      },
    };
    paths[`/api/${path}/{id}/erase`] = {
      parameters: [id],
      post: {
        summary: 'Taken out of every table and every other document, for good',
        responses: {
          202: answer('Gone; the file is rewritten later.', { type: 'object' }),
          204: answer('Gone. Asked again, it sees to whatever is left.'),
          400: problem('Not an id.'),
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Inner Rung', version: '0.1.0', license: { name: 'MIT', identifier: 'MIT' } },
    servers: [{ url: '/' }],
    paths,
    components: {
      schemas: {
        ...Object.fromEntries(RECORDS.map(({ name, schema }) => [schemaName(name), json(schema)])),
        ...answers,
        Run: json(runSchema),
        RunEvent: json(runEventSchema),
        Problem: json(problemSchema),
      },
    },
  };
}
