import { GROUP, PERSON_EXAMPLE } from '@inner-rung/core/person';
import { READY_SESSIONS } from '@inner-rung/core/session';
import { shippedLibrary } from '../../core/test/shipped.ts';
import { PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { everything, KINDS_FOUND } from '../src/features/everything.ts';

const pressed: string[] = [];
const find = everything({
  library: shippedLibrary(),
  plans: PLANS,
  people: [...PEOPLE, { ...PERSON_EXAMPLE, id: 'zoltan', name: 'Zoltán Ó Briain' }],
  groups: [GROUP.example],
  rooms: ROOMS,
  commands: {
    undo: {
      says: 'take the last step back',
      keys: ['mod+z'],
      shown: 'Ctrl Z',
      run: () => pressed.push('undo'),
    },
    redo: {
      says: 'do it again',
      keys: ['mod+y'],
      shown: 'Ctrl Y',
      run: () => pressed.push('redo'),
      off: true,
    },
  },
});
const first = (text: string) => {
  const [found] = find(text);
  return found ? `${found.kind}/${found.id}` : null;
};

test.each([
  ['press-up', 'move/push-up'],
  ['press ups', 'move/push-up'],
  ['rdl', 'move/loaded-hinge'],
  ['hypertension', 'condition/high-blood-pressure'],
  ['bad knees', 'condition/sore-knees'],
  ['osteoporosis', 'condition/osteoporosis'],
  ['backup', 'page//copies'],
  ['diary', 'page//log'],
  ['equipment list', 'page//rooms'],
  ['clients', 'page//people'],
  ['contraindications', 'page//may'],
  ['zoltan', 'person/zoltan'],
  ['tuesday ten', 'session/tuesday-ten'],
  ['take the last', 'command/undo'],
])('“%s” comes first as %s', (text, want) => {
  expect(first(text)).toBe(want);
});

test('everything there is comes up by its own name, and leads somewhere or does something', () => {
  const lost = [
    ...PEOPLE.map(({ id, name }) => ['person', id, name]),
    ...PLANS.map(({ id, title }) => ['session', id, title]),
    ...READY_SESSIONS.map(({ id, title }) => ['session', `ready/${id}`, title]),
    ...ROOMS.map(({ id, name }) => ['room', id, name]),
    ...shippedLibrary().ladders.map(({ id, name }) => ['ladder', id, name]),
  ].flatMap(([kind, id, name]) => {
    const hits = find(name!, 20);
    const hit = hits.find((one) => one.kind === kind && one.id === id);
    return hit && (hit.to ?? hit.run) ? [] : [[kind, id, name, hits.map((one) => one.id)]];
  });
  expect(lost).toEqual([]);
});

test('what can’t be done just now isn’t found; nothing at all for nothing, and for what is nowhere', () => {
  expect(find('do it again').filter(({ kind }) => kind === 'command')).toEqual([]);
  expect(find('   ')).toEqual([]);
  expect(find('qxzvw')).toEqual([]);
  expect(new Set(find('push').map(({ kind }) => kind)).size).toBeLessThanOrEqual(KINDS_FOUND.length);
});
