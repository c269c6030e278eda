/** What is written short and would be read as a count: "U14s", "L4/5", "C5/6". */
const WRITTEN_OUT: readonly (readonly [RegExp, string])[] = [
  [/\b(?:two|three|\d) 1\s?[-:]\s?1s\b\s*[:,-]?/giu, ''],
  [/\b1\s?[-:]\s?(?:2\s?[-:]\s?)?1s?\b(?!\d)/gu, 'one to one'],
  // "My client" is one, and "8 clients" are people.
  [/\bclients\b/giu, 'people'],
  // "A new group of 6": six, and nobody beside.
  [/\b(?:an?|the|my|our|this) (?=(?:\p{L}+ ){0,2}(?:group|class|team) of \d)/giu, ''],
  // "Boys 12 and 15": how old the two are.
  [
    /\b(?:two |2 )?(boys|girls|brothers|sisters|sons|daughters|kids|children|lads),? (?:aged? )?([4-9]|1\d) (?:and|&) ([4-9]|1\d)\b/giu,
    'two $1 aged $2 to $3',
  ],
  // "…, another with a bad hip": one, and not the same.
  [
    /(?<=(?:^|[,;]|\band)\s*)(?:another|one other|a second)\b(?=\s+(?!\d|two|three|four|five|few|couple|one\b)\p{L})/giu,
    'one',
  ],
  [/\b(over|under)-(?=\d)/giu, '$1 '],
  // "… and someone with tennis elbow": somebody else.
  [
    /[,;]?\s+(?:and|plus|also)?\s*(?:someone|somebody)(?: else)?\b(?=\s+(?:with|who|has|had|on|in|recovering)\b)/giu,
    ' plus one',
  ],
  // "Half the group of 12": of so many.
  [
    /\b(half|a third|a quarter|most|some) (?:of )?(?:(?:the|my|our) )?(?:group|class|team|session),? \(?of (\d{1,2})\b\)?/giu,
    '$1 of $2',
  ],
  // "Level 1" is where everybody begins, and nobody is taken to be further than the third of four.
  [/\blevel 1s?\b/giu, 'beginner'],
  [/\blevel 2s?\b/giu, 'improver'],
  [/\blevel 3s?\b/giu, 'regular'],
  [/\blevel 4s?\b/giu, 'advanced'],
  // "Five in seventies", "male 45": how old.
  [/\bin (?=(?:early |mid |late )?(?:twent|thirt|fort|fift|sixt|sevent|eight|ninet)ies\b)/giu, 'in their '],
  ...(['twent', 'thirt', 'fort', 'fift', 'sixt', 'sevent', 'eight', 'ninet'] as const).map(
    (tens, i): readonly [RegExp, string] => [new RegExp(`\\b${tens}ies\\b`, 'giu'), `${i + 2}0s`],
  ),
  [
    /\b(male|female|man|woman|lady|guy),? (?:of )?(?=[1-9]\d\b(?!\s*(?:people|w(?:ee)?ks?\b|kg|%)))/giu,
    '$1 aged ',
  ],
  // One after another: "Sue 77, then Dev 33".
  [/(?<=[,;)]?\s)(?:and )?then (?=\p{Lu})/gu, ', '],
  // "Mrs Penn" is called Penn.
  [/\b(?:Mr|Mrs|Ms|Miss|Dr)\.? (?=\p{Lu})/gu, ''],
  // "Ten 70 plus", and nobody besides.
  [/\b([5-9]\d)(?: plus|-plus)\b(?!\s+(?:\d|an?\b|one|two|three|some|new))/giu, '$1+'],
  // "Two left knees, one right ankle, out of 8".
  [/,?\s+out of (?:a |an |the )?(?:group of |class of |total of )?(?=\d{1,2}\b)/giu, ' of '],
  // Whoever writes it teaches.
  [/^\s*(?:me|myself)\b\s*(?:and|plus|&|\+|,)\s*/iu, ''],
  [/\b(?:no|nos|num|number)\.? of (?=people|participants|clients|attendees|adults|kids|children)/giu, ''],
  // "2 groups: 6 beginners, 6 fit": how many groups they are counts nobody.
  [/\b(?:\d{1,2}|two|three|four) (?:groups|teams|halves)\b\s*[:-]/giu, ''],
  // Nor does when it is, and how long it lasts.
  [
    /\b(?:Mon|Tues?|Wed|Thurs?|Thu|Fri|Sat|Sun)\b\.?|\b\d{1,2}(?:[:.]\d{2})? ?[ap]m\b|\b\d{1,2}:\d{2}\b/gu,
    '',
  ],
  [/\b(?:(?:half )?an?|half|one|1|\d{2,3})[ -]?(?:hours?|hrs?|minutes?|mins?)\b(?! (?:walk|ago))/giu, ''],
  [/(\d)[ -]?(?:ish|odd)\b/giu, '$1'],
  [/(\d)(?:w| ?wks?)\b/giu, '$1 weeks'],
  // A pressure is no age.
  [/\b\d{2,3} ?\/ ?\d{2,3}\b(?= *(?:$|[,.;)]|mm))/giu, 'a reading'],
  [/\b[Uu]-?(\d{1,2})['’]?s?\b/gu, 'under $1'],
  [/\bT[12]\s?DM?\b/gu, 'diabetes'],
  [/\ba mix(?:ture)? of\b/giu, ''],
  // "Usual lot - 9 of them.": how many there are.
  [/(?<=(?:^|[-–—:,.(]\s?))(\d{1,2}) of (?:them|us|you)(?= ?[.,;:)]|\s*$| today| tonight)/giu, '$1 people'],
  // "Nina is 34 weeks".
  [
    /\b(is|are|’s|'s) (1[2-9]|[23]\d|4[0-2]) weeks\b(?! (?:post|since|after|out|ago|on|old|in))/giu,
    '$1 $2 weeks pregnant',
  ],
  [/\bL[1-5](?:\s?[/-]\s?[LS]?[1-5])?\b/gu, 'disc'],
  [/\bC[1-7]\s?[/-]\s?C?[1-8]\b/gu, 'neck'],
];
/** "1. Ann - hypertension 2. Bob - new knee": numbers that only say how-manieth part those behind them. */
function unnumbered(text: string): string {
  const marks = [...text.matchAll(/(?:^|[\s:,;])(\d{1,2})[.)]\s+(?=\p{Lu})/gu)];
  if (marks.length < 2 || !marks.every((found, i) => Number(found[1]) === i + 1)) return text;
  let at = 0;
  return text.replace(/(^|[\s:,;])(\d{1,2})[.)]\s+(?=\p{Lu})/gu, (_, before: string) =>
    at++ === 0 ? before : `${before.trim()}, `,
  );
}

/** "2 groups of 6, one group over 60": one of them is six. */
function groupsCounted(text: string): string {
  const each = /\b(\d{1,2}|two|three|four) (?:groups|teams) of (\d{1,2})\b/iu.exec(text)?.[2];
  return each ? text.replace(/\b(?:one|1|the other|another) (?:group|team)\b/giu, `${each} people`) : text;
}

const ALL = '(?:[Ee]very(?:one|body)|[Tt]hey all|[Aa]ll(?: of them)?)';
const SAVE = '(?:except(?: for)?|apart from|bar|save for|other than|but)';
const SOME =
  '((?:\\d{1,2}|one|two|three|four|five|six|a couple|a few)\\b(?! (?:years?|weeks?|months?))(?: of them)?|\\p{Lu}\\p{L}+(?:(?:,| and|, and) \\p{Lu}\\p{L}+)*)';
/** What all can do but some: said the other way about, of those who can't. */
const ALL_BUT: readonly (readonly [RegExp, string])[] = [
  [new RegExp(`\\b[Aa]ll but ${SOME} can(?=\\s)`, 'gu'), "$1 can't"],
  [new RegExp(`\\b${ALL} can ([\\p{L} ]{3,30}?),? ${SAVE} ${SOME}`, 'gu'), "$2 can't $1"],
  // "Nobody can kneel except 2": which two isn't said, so all of them.
  [
    new RegExp(`\\b([Nn](?:obody|o one|one) can [\\p{L} ]{3,30}?),? ${SAVE} ${SOME}`, 'gu'),
    '$1, except some',
  ],
  // "Everyone's fine except Lou, who's got …".
  [
    new RegExp(
      `\\b[Ee]very(?:one|body)(?:['’]s| is) (?:fine|ok|okay|good|well|healthy|all right),? ${SAVE} ${SOME}(?:,? who(?:['’]s| has| is)?)?`,
      'gu',
    ),
    '$1 has',
  ],
];
const allBut = (text: string): string => ALL_BUT.reduce((so, [short, long]) => so.replace(short, long), text);

const SEVERAL: Readonly<Record<string, string>> = {
  man: 'men',
  woman: 'women',
  lady: 'ladies',
  child: 'children',
  baby: 'babies',
};
/** "3 beginners, 4 regulars; one regular has a sore foot": one of those counted before. */
const oneOfThose = (text: string): string =>
  text.replace(
    /\b(?:one|1|a|an) (\p{L}{3,}) (?=(?:has|is|with|who|on)\b)/giu,
    (said: string, kind: string, at: number) => {
      const many = SEVERAL[kind.toLowerCase()] ?? `${kind}s`;
      const before = new RegExp(`(?:\\d|two|three|four|five|six|seven|eight|nine|ten) ${many}\\b`, 'iu');
      return before.test(text.slice(0, at)) ? `one of the ${many} ` : said;
    },
  );

const NAMED = '(\\p{Lu}\\p{Ll}+)';
/** Up to the next stop, and the stop. */
const SAYS = '[^,.;:()\\n]+';
const STOP = '(?:,|;|\\.| -)? (?:and )?';
const NOT = '(?:can|does|do|has|is|will|should)';
/** What is said of one is said of the next: "… and neither can Jean", "…, same for Jean"; "…, Len can't either", "…, Len too". */
const LIKEWISE: readonly RegExp[] = [
  new RegExp(
    `${NAMED} ((?:has|is|can['’]?t|cannot|doesn['’]?t|won['’]?t|shouldn['’]?t|on|with|no|bad) ${SAYS}?)${STOP}(?:(?:neither|nor|so) ${NOT}|(?:the )?(?:[Ss]ame|[Dd]itto|[Ll]ikewise)(?: goes)? (?:for|with)) ${NAMED}\\b`,
    'gu',
  ),
  new RegExp(
    `${NAMED} (\\p{Ll}${SAYS}?)${STOP}${NAMED} (?:(?:${NOT}(?:n['’]?t|not|['’]t)? )?(?:either|too|also|as well|likewise))(?![\\p{L}])(?! \\p{L})`,
    'gu',
  ),
];
/** "Ann and Bob can't jump", "Tom, Sue and Lou have bad knees". */
const TOGETHER = new RegExp(
  `(?<![\\p{L}’'] )((?:\\p{Lu}\\p{Ll}+, )*)${NAMED}(?: and | & )${NAMED} ((?:both|have|are|can['’]?t|cannot|can not|don['’]?t|shouldn['’]?t|need|use|take|no|not|bad|sore|dodgy|stiff|painful|poor|weak) ${SAYS})`,
  'gu',
);
/** What is said of several by name is said of each. */
const ofEach = (text: string): string =>
  LIKEWISE.reduce((so, pattern) => so.replace(pattern, '$1 $2, $3 $2'), text).replace(
    TOGETHER,
    (_, more: string, first: string, second: string, says: string) =>
      [...more.split(', ').filter(Boolean), first, second]
        .map((name) => `${name} ${says.replace(/^(?:both|have|are) /u, 'has ')}`)
        .join(', '),
  );

/** A line about people with what is written short, shared or turned about written out for each of them. */
export const writtenOut = (text: string): string =>
  WRITTEN_OUT.reduce(
    (so, [short, long]) => so.replace(short, long),
    ofEach(allBut(oneOfThose(groupsCounted(unnumbered(text))))),
  ).replace(
    /\b(\d{1,2}) (?:groups|teams) of (\d{1,2})\b/giu,
    (_, groups: string, each: string) => `${Number(groups) * Number(each)}`,
  );
