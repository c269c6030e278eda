export { CONDITION_NAMES } from './conditions.ts';
export { groupOf } from './group.ts';
export { isName, namesOf } from './names.ts';
export { plainText } from './plain.ts';
export { blocksOf, clockFor, planOf } from './plan.ts';
export { type ReadBlock, type ReadLine, type ReadSession, readSession } from './session.ts';
export { plainName } from './tokens.ts';
export { readWho, type Who } from './who.ts';
