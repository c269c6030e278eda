import type { Role } from '../session/index.ts';
import type { Fact } from './facts.ts';

const set = (words: string) => new Set(words.split(' '));

/** Words that belong to the clock and name nothing. */
export const CLOCK_WORDS = set(
  'circuit interval second minute min sec of in with station rest work each by for the a an and then on off time round complete do go all through between rep set at to is are be we will format style exercise move every per total hiit repeat as possible you can your try rotate x timer clock one works rest rests partner beep pace own one other swap last first take move get until next people group again whole list everything ready when alt alternating straight dose timing protocol scheme structure',
);
export const TITLE_WORDS = set(
  'circuit class workout session training hiit bootcamp boot camp blast burner burn day week monday tuesday wednesday thursday friday saturday sunday morning evening lunch hall park garden home group hour plan programme program tabata emom amrap fitness fit challenge strength cardio beginner senior gentle express fun special power total body kid child school team chair seated partner outdoor indoor summer winter spring autumn christmas easter january february march april may june july august september october november december mon tue wed thu fri sat sun test ladder pyramid boxing legday leg arm abs core mobility style pilate yoga aerobic conditioning metcon prehab rehab referral wk routine physio yoga',
);
export const DAYS = set(
  'monday tuesday wednesday thursday friday saturday sunday mon tue tues wed thu thur thurs fri sat sun',
);
export const NOTE_STARTS = set(
  'scale scaled scaling total approximately approx duration length what bring remember note music equipment kit tip reminder focus goal aim playlist nb ps ask check tell coach safety warning swap switch rotate group emphasise emphasis modify option remind demo demonstrate keep make dont set setup you need needed need record score write jot',
);
/** What a greeting begins with, and whom it greets: "Morning all!", "Hi team". */
const GREETS = set(
  'hi hello hey hiya welcome greeting dear thanks thank cheers evening morning afternoon good',
);
const GREETED = set(
  'all everyone everybody team guys guy folk folks gang ladies lady crew both you class friends friend lovelies there',
);
/** Words that greet, thank or announce, and say nothing that is done; in the singular. */
export function greets(words: readonly string[]): boolean {
  const [first, second, third] = words;
  const day = ['morning', 'evening', 'afternoon', 'good'].includes(first ?? '');
  const alone = !day && words.length <= 2;
  if (GREETS.has(first ?? '') && (alone || GREETED.has(second ?? '') || GREETED.has(third ?? '')))
    return true;
  // "Here's today's workout".
  const here = first === 'heres' || first === 'here';
  return here && words.length <= MOST_OF_ANNOUNCED && words.some((word) => ANNOUNCED.has(word));
}
const MOST_OF_ANNOUNCED = 9;
const ANNOUNCED = set(
  'workout session circuit plan class programme program one todays tonights list routine',
);
export const SECTIONS = set(
  'upper lower body core leg arm abs cardio strength full glute back chest conditioning balance floor standing seated chair mobility shoulder posterior chain plyo total hiit main cardiovascular resistance skill agility metcon accessory assistance',
);

interface RoleWords {
  readonly words: readonly string[];
  readonly role: Role;
}
export const ROLES_SAID: readonly RoleWords[] = [
  ...[
    'warm up',
    'warmup',
    'w / u',
    'wup',
    'wu',
    'pulse raiser',
    'preparation',
    'prep',
    'activation',
    'mobiliser',
    'mob',
    'mobs',
    'raise pulse',
    'warm up and mobility',
    'warm up & mobility',
    'warm up + mobility',
    'warm up and mobilise',
    'warm up & mobilise',
  ].map((w): RoleWords => ({ words: w.split(' '), role: 'warm-up' })),
  ...[
    'cool down',
    'cooldown',
    'c / d',
    'c / down',
    'c / d stretch',
    'c / d and stretch',
    'c / d + stretch',
    'cd',
    'stretch',
    'stretching',
    'wind down',
    'final stretch',
    'finish with stretch',
    'finish with a stretch',
    'end with stretch',
    'end with a stretch',
    'static stretch',
    'cool down stretch',
    'stretch out',
    'flexibility',
    'relaxation',
    'relax',
    'stretch and relax',
    'stretch & relax',
    'cool down and stretch',
    'cool down & stretch',
    'cool down + stretch',
    'cooldown and stretch',
    'cooldown & stretch',
    'stretch and cool down',
    'stretch & cool down',
    'relax and stretch',
  ].map((w): RoleWords => ({ words: w.split(' '), role: 'cool-down' })),
  ...['buy in', 'buyin', 'buy-in'].map((w): RoleWords => ({ words: w.split(' '), role: 'circuit' })),
  ...['finisher', 'burnout', 'burn out', 'cash out', 'finish'].map(
    (w): RoleWords => ({ words: w.split(' '), role: 'finisher' }),
  ),
  ...['challenge', 'team challenge', 'group challenge', 'partner challenge', 'then team challenge'].map(
    (w): RoleWords => ({ words: w.split(' '), role: 'challenge' }),
  ),
  ...[
    'main circuit',
    'main set',
    'main part',
    'main workout',
    'main bit',
    'main session',
    'main event',
    'main block',
    'main section',
    'main activity',
    'main content',
    'main',
    'circuit',
    'block',
    'part',
    'section',
    'workout',
    'the circuit',
    'the workout',
    'the session',
    'today',
    'tonight',
    'todays session',
    'todays workout',
    'tonights session',
  ].map((w): RoleWords => ({ words: w.split(' '), role: 'circuit' })),
];
export const TIERS: Readonly<Record<string, 'easier' | 'harder'>> = {
  easier: 'easier',
  easy: 'easier',
  regression: 'easier',
  beginner: 'easier',
  regress: 'easier',
  modification: 'easier',
  modified: 'easier',
  low: 'easier',
  mod: 'easier',
  option: 'easier',
  harder: 'harder',
  hard: 'harder',
  progression: 'harder',
  advanced: 'harder',
  progress: 'harder',
  level: 'harder',
};

export const LABELS = new Set([
  'chair',
  'table',
  'stn',
  'sta',
  'pos',
  'bay',
  'card',
  'task',
  'cv',
  'ar',
  'drill',
  'station',
  'corner',
  'cone',
  'zone',
  'area',
  'post',
  'mat',
  'spot',
  'exercise',
  'min',
  'minute',
  'move',
  'ex',
  'no',
  'number',
  'no.',
]);
export const BULLETS = new Set([
  '-',
  '–',
  '—',
  '*',
  '•',
  '·',
  '‣',
  '▪',
  '►',
  '→',
  '>',
  '#',
  '○',
  '●',
  '◦',
  '✅',
  '✓',
  '☑',
  '|',
  '\t',
  '.',
  '✔',
  '+',
  '=',
  '_',
  '~',
]);
export const PARTING = new Set(['-', '–', '—']);
/** Before a colon: what is said behind it is of the session, and is not done. */
export const NOTE_LABELS = set(
  'plan layout setup equipment kit aim goal venue location place date level target focus music playlist coach instructor cue key tip space room bring dress',
);
/** Over a list: what it is a list of. */
export const LISTS = set(
  'station exercise move movement drill circuit list menu activity format programme sequence order',
);
/** Facts that a movement's line has as well as a clock's. */
export const DOSELIKE = new Set<Fact['is']>(['sets of', 'sets', 'times', 'reps', 'aside']);
export const RESTS = set(
  'in reverse order the same way then rest recover recovery breathe breather and break repeat again',
);
/** Of these and nothing else a turn in a list may be, in which nothing is done: "8. Rest / water". */
export const TURNS_OFF = set('rest recover recovery water drink break breather and or');
/** Facts of a clock that no dose looks like. */
export const OF_BLOCKS = new Set<Fact['is']>([
  'format',
  'steps',
  'rounds',
  'interval',
  'round rest',
  'cap',
  'in all seconds',
]);

/** Nothing at one station takes as long as this, in seconds. Estimate. */
export const LEAST_SESSION = 600;
