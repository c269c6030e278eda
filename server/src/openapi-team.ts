import { answer, body, json, problem } from './openapi-parts.ts';
import { changedAccountSchema, newAccountSchema, ownerSchema, recoverySchema } from './team.ts';

const id = { name: 'id', in: 'path', required: true, schema: { type: 'string' } };
const query = (name: string, description: string) => ({
  name,
  in: 'query',
  required: false,
  description,
  schema: { type: 'string' },
});
const object = { type: 'object' };
const notOwner = problem('Not the owner’s to do, or not on the machine itself.');

/** The people of a small team and the trail, described. */
export const TEAM_PATHS = {
  '/api/team': {
    get: {
      summary: 'Whether there is a team, who asks, and what they may do',
      responses: { 200: answer('How it stands.', object) },
    },
    post: {
      summary: 'Sets it up with its first owner, on the machine itself; answers the recovery code, once',
      requestBody: { required: true, ...body(json(ownerSchema)) },
      responses: {
        201: answer('The owner, signed in.', object),
        403: problem('Not on the machine itself.'),
        409: problem('There is a team.'),
        422: problem('The field is named.'),
      },
    },
    delete: {
      summary: 'Ends it: one trainer’s machine again; the trail stays',
      responses: { 204: answer('Ended.'), 403: notOwner },
    },
  },
  '/api/team/recover': {
    post: {
      summary: 'An owner’s way back in by the printed code, on the machine itself; answers a new code',
      requestBody: { required: true, ...body(json(recoverySchema)) },
      responses: {
        200: answer('In again.', object),
        401: problem('Not an owner and the code.'),
        422: problem('The field is named.'),
        429: problem('Too many tries.'),
      },
    },
  },
  '/api/team/sheet': {
    post: {
      summary: 'A new recovery code; the old one ends',
      responses: { 201: answer('The code, once.', object), 403: notOwner },
    },
  },
  '/api/team/accounts': {
    post: {
      summary: 'Adds somebody',
      requestBody: { required: true, ...body(json(newAccountSchema)) },
      responses: {
        201: answer('Who.', object),
        403: notOwner,
        409: problem('Somebody is called that.'),
        422: problem('The field is named.'),
      },
    },
  },
  '/api/team/accounts/{id}': {
    parameters: [id],
    put: {
      summary: 'Another name, role, passphrase, or groups; ends their sign-ins',
      requestBody: { required: true, ...body(json(changedAccountSchema)) },
      responses: {
        200: answer('Who.', object),
        403: notOwner,
        404: problem('Nobody of that id.'),
        409: problem('The only owner, or somebody is called that.'),
        422: problem('The field is named.'),
      },
    },
    delete: {
      summary: 'Out of the team; what they did keeps their name',
      responses: { 204: answer('Out.'), 403: notOwner, 409: problem('The only owner.') },
    },
  },
  '/api/team/passphrase': {
    put: {
      summary: 'One’s own passphrase, by the old one; every other device of theirs is signed out',
      requestBody: {
        required: true,
        ...body({
          type: 'object',
          required: ['old', 'passphrase'],
          properties: { old: { type: 'string' }, passphrase: { type: 'string', minLength: 10 } },
        }),
      },
      responses: {
        204: answer('Changed.'),
        401: problem('Not the old one.'),
        422: problem('Too short.'),
      },
    },
  },
  '/api/team/sign-ins': {
    get: { summary: 'Who is signed in, where and since when', responses: { 200: answer('The list.') } },
  },
  '/api/team/sign-ins/{id}': {
    parameters: [id],
    delete: { summary: 'Ends one', responses: { 204: answer('Ended.'), 404: problem('No such sign-in.') } },
  },
  '/api/trail': {
    get: {
      summary: 'Who saw and did what, the newest first; trainers of somebody they are given alone',
      parameters: [
        query('kind', 'of what: person, group, record'),
        query('id', 'its id'),
        query('account', 'by whom'),
        query('before', 'a line’s number: those before it'),
      ],
      responses: { 200: answer('Lines.', object), 403: problem('The whole is the owner’s.') },
    },
  },
  '/api/trail/state': {
    get: {
      summary: 'Goes through the chain: how many lines, and the first that isn’t as it was written',
      responses: { 200: answer('How it stands.', object) },
    },
  },
  '/api/trail/told': {
    post: {
      summary: 'What a browser did by itself: a page printed, or put into a file',
      requestBody: {
        required: true,
        ...body({
          type: 'object',
          required: ['deed', 'page'],
          properties: {
            deed: { enum: ['printed', 'exported', 'saw'] },
            page: { type: 'string' },
            kind: { type: 'string' },
            id: { type: 'string' },
          },
        }),
      },
      responses: { 204: answer('Noted.'), 422: problem('The field is named.') },
    },
  },
} as const;
