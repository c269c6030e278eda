export { CONDITION_NAMES } from './conditions.ts';
export { groupOf } from './group.ts';
export { isName, moveMeant, namesOf, STANDS, SURE } from './names.ts';
export { plainText } from './plain.ts';
export { blocksOf, clockFor, keyOfBlock, type Numbers, notesOf, planOf, withNumbers } from './plan.ts';
export type { ReadBlock, ReadLine, ReadSession } from './reading.ts';
export { readSession } from './session.ts';
export { plainName } from './tokens.ts';
export { readWho, type Who } from './who.ts';
