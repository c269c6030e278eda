import { CONDITIONS, type ConditionId, type LevelIndex, type Side } from '../person/index.ts';
import { CONDITION_NAMES } from './conditions.ts';
import { type Token, tokensOf } from './tokens.ts';

interface SaidCondition {
  readonly id: ConditionId;
  readonly side?: Exclude<Side, 'both'>;
}

/** Some of those who are here, alike as far as was said. Parts never overlap. */
export interface WhoPart {
  readonly count: number;
  readonly conditions: readonly SaidCondition[];
  readonly level: LevelIndex | null;
  readonly kind: 'older adult' | 'child or teenager' | null;
  readonly sex: 'female' | 'male' | null;
  /** Youngest and oldest, both inclusive; an end that wasn't said is as far as people come. */
  readonly ages: readonly [number, number] | null;
  readonly name: string | null;
  /** As it was written. */
  readonly says: string;
  /** Words of it that aren't understood: these people are planned for at the careful end. */
  readonly unread: readonly string[];
}

export interface Who {
  readonly total: number;
  readonly parts: readonly WhoPart[];
  /** Of everybody, or of nobody knows whom: not understood, as written. */
  readonly unread: readonly string[];
  /** What should be asked before they begin: numbers that don't add up, "some" of them. */
  readonly asks: readonly string[];
  /** Why nothing can be made of it; null where something can. */
  readonly problem: string | null;
}

/** People in one session, at most. */
const MOST_PEOPLE = 200;
/** Ages where an end wasn't said. */
export const YOUNGEST = 4;
export const OLDEST = 100;
const CHILD_BELOW = 13;
const ADULT_FROM = 18;
const OLDER_FROM = 60;
/** Weeks that part the phases of a pregnancy, and of the time after a birth. */
const EARLY_WEEKS = 12;
const SOON_WEEKS = 6;
const WEEKS_A_MONTH = 4.35;

type Meaning =
  | { readonly is: 'condition'; readonly id: ConditionId }
  | { readonly is: 'level'; readonly level: LevelIndex }
  | { readonly is: 'sex'; readonly sex: 'female' | 'male' }
  | { readonly is: 'relative'; readonly sex: 'female' | 'male' | null }
  | { readonly is: 'people' }
  | { readonly is: 'adult' }
  | { readonly is: 'share'; readonly of: number | 'some' | 'most' | 'all' | 'none' }
  | { readonly is: 'rest' }
  | { readonly is: 'of them' }
  | { readonly is: 'also' }
  | { readonly is: 'side'; readonly side: 'left' | 'right' | 'both' }
  | { readonly is: 'no' }
  | { readonly is: 'fine' }
  | { readonly is: 'has' }
  | { readonly is: 'age word' }
  | { readonly is: 'over' }
  | { readonly is: 'under' }
  | { readonly is: 'decade' }
  | { readonly is: 'weeks'; readonly times: number }
  | { readonly is: 'sore' }
  | { readonly is: 'filler' };

interface Branch {
  readonly next: Map<string, Branch>;
  out: Meaning | null;
}
const branch = (): Branch => ({ next: new Map(), out: null });
const ROOT = branch();
function list(meaning: Meaning, phrases: readonly string[]): void {
  for (const phrase of phrases) {
    let at = ROOT;
    for (const token of tokensOf(phrase)) {
      if (token.kind === 'sign') continue;
      const word = token.kind === 'number' && !token.spelt ? String(token.value) : token.word;
      const next = at.next.get(word) ?? branch();
      at.next.set(word, next);
      at = next;
    }
    at.out ??= meaning;
  }
}
const words = (text: string) => text.split(',').map((word) => word.trim());

list(
  { is: 'fine' },
  words(
    'no injuries,no injury,all fine,all healthy,no problems,no problem,no issues,no conditions,no condition,all ok,all good,nothing else,no health problems,no health issues,fine,healthy,injury free,no limitations,fit and well,fit and healthy,all well,no medical issues,no known conditions,no medical conditions,no concerns,nothing to report,in good health,no aches',
  ),
);
list(
  { is: 'level', level: 0 },
  words(
    'beginner,newbie,new,newcomer,first timer,first time,novice,unfit,not fit,not very fit,not so fit,never exercised,never trained,has never exercised,deconditioned,sedentary,inactive,new to exercise,new to this,complete beginner,total beginner,absolute beginner,very unfit,out of shape,starting out,just started,just starting,never done it,not active,couch potato,first class,rusty,out of condition',
  ),
);
list(
  { is: 'level', level: 1 },
  words(
    'improver,some experience,intermediate,bit of experience,a bit of experience,fairly new,fairly fit,quite fit,average,average fitness,moderately fit,medium',
  ),
);
list(
  { is: 'level', level: 2 },
  words('fit,regular,steady,experienced,active,seasoned,trained,comes every week,old hand,used to it'),
);
list(
  { is: 'level', level: 3 },
  words(
    'very fit,super fit,really fit,extremely fit,advanced,athlete,athletic,elite,strong,very strong,very advanced,marathon runner,runner,crossfitter,competitive',
  ),
);
for (const [id, names] of Object.entries(CONDITION_NAMES))
  list({ is: 'condition', id: id as ConditionId }, [
    ...names,
    ...(names.length > 0 ? [CONDITIONS[id as ConditionId].name.replace(/,/g, '')] : []),
  ]);
list({ is: 'sex', sex: 'female' }, words('woman,women,lady,ladies,female,females,gals'));
list({ is: 'sex', sex: 'male' }, words('man,men,gentleman,gentlemen,gent,male,males,lad,lads,bloke,blokes'));
list(
  { is: 'relative', sex: 'female' },
  words('mum,mom,mother,grandma,granny,nan,sister,wife,daughter,aunt,auntie,she,girlfriend,her'),
);
list(
  { is: 'relative', sex: 'male' },
  words('dad,father,grandad,grandpa,brother,husband,son,uncle,he,boyfriend,him'),
);
list({ is: 'relative', sex: null }, words('client,my client,friend,partner,neighbour,colleague'));
list(
  { is: 'people' },
  words(
    'people,person,participant,member,in all,altogether,in total,total,of us,class,group,clients,pax,folk,individual,attendee,attending,here,today,present,coming,turned up,in the class,in the group,students,student,guys,trainee,employee,staff,patient,player,heads,person group,in my class,a class of,a group of,group of,class of,there are,we are,we have,i have,ive got,participants,members,team,squad,customers,them,bodies,regularsize',
  ),
);
list({ is: 'adult' }, words('adult,grown up,grownup,parent,carer'));
list({ is: 'share', of: 0.5 }, words('half,half of'));
list({ is: 'share', of: 0.25 }, words('a quarter,quarter,quarter of'));
list({ is: 'share', of: 1 / 3 }, words('a third,third of,third'));
list(
  { is: 'share', of: 'some' },
  words(
    'some,a few,few,several,many,handful,a handful,one or two,a couple or three,others may,lots,a lot,various,a number,number of',
  ),
);
list({ is: 'share', of: 'most' }, words('most,mostly,mainly,majority,the majority,nearly all,almost all'));
list(
  { is: 'share', of: 'all' },
  words(
    'all,everyone,everybody,each,every one,all of them,the whole class,whole group,they all,all are,everyone is',
  ),
);
list({ is: 'share', of: 'none' }, words('nobody,no one,none,noone,none of them,nobody has,no one has'));
list({ is: 'rest' }, words('the rest,rest,others,the others,other,remaining,everyone else,everybody else'));
list({ is: 'of them' }, words('of them,of those,of whom,of which,of these,among them'));
list({ is: 'also' }, words('also,too,as well,plus,additionally'));
list({ is: 'side', side: 'left' }, words('left,l'));
list({ is: 'side', side: 'right' }, words('right,r'));
list({ is: 'side', side: 'both' }, words('both,bilateral,each side'));
list({ is: 'no' }, words('no,not,without,never,dont,doesnt,isnt,arent,hasnt,havent,zero'));
list(
  { is: 'has' },
  words(
    'with,has,have,having,w,suffering from,suffer from,suffers from,who has,who have,got,on,taking,takes,recovering from,incl,including,include,living with,wearing,diagnosed with,had,is,are,using,uses,use,who is,who are,experiencing,being,was,get,gets,for',
  ),
);
list(
  { is: 'age word' },
  words(
    'aged,age,ages,year old,years old,yr old,yrs old,yo,y o,yrs,year,yr,olds,old,years of age,ages between,between',
  ),
);
list({ is: 'over' }, words('over,above,older than,more than,at least,plus years'));
list({ is: 'under' }, words('under,below,younger than,less than,up to'));
list({ is: 'decade' }, words('in their,in her,in his,early,mid,late'));
list({ is: 'weeks', times: 1 }, words('week,wk,wks,weeks'));
list({ is: 'weeks', times: WEEKS_A_MONTH }, words('month,mth,mths'));
list({ is: 'weeks', times: 52 }, words('year ago,years ago,yrs ago,year post'));
list(
  { is: 'sore' },
  words(
    'sore,bad,dodgy,painful,aching,achy,stiff,injured,weak,hurt,hurting,pain,problem,trouble,issue,injury,sensitive,delicate,tender,niggle,tweaked,strained,pulled,tight,dicky,gammy,replaced,replacement,symptom,disease,condition,syndrome,patient,sufferer,user',
  ),
);
list(
  { is: 'filler' },
  words(
    'a,an,the,and,of,in,to,at,my,our,their,his,who,that,which,very,quite,really,slightly,mild,mildly,moderate,bit,little,some kind of,one,so,be,been,it,its,i,we,they,there,this,these,just,only,about,around,roughly,approximately,approx,maybe,probably,from,by,well,controlled,well controlled,medication,meds,medicine,tablet,known,history of,history,previous,old,recent,recently,still,now,currently,ago,last,since,side,arm,leg,time,times,post,recovering,recovery,usual,usually,sometimes,occasional,occasionally,bad day,plus one,another,extra,body,tonight,morning,evening,tuesday,monday,wednesday,thursday,friday,saturday,sunday,day,ones,level,levels,fitness,lot,as,or,but,if,either,mixed,mix,ability,abilities,gender,off',
  ),
);

interface Piece {
  readonly meaning: Meaning | null;
  readonly token: Token;
  readonly to: number;
}

/** Words with what they mean, longest phrases first. */
function meaningsOf(tokens: readonly Token[]): Piece[] {
  const found: Piece[] = [];
  for (let i = 0; i < tokens.length; ) {
    let at: Branch | undefined = ROOT;
    let out: Meaning | null = null;
    let to = i;
    for (let k = i; k < tokens.length && at; k++) {
      const { word, kind } = tokens[k]!;
      // A hyphen inside a phrase is passed over, as a space is.
      if (kind === 'sign' && word === '-' && k > i) continue;
      at = at.next.get(kind === 'number' && !tokens[k]!.spelt ? String(tokens[k]!.value) : word);
      if (at?.out) {
        out = at.out;
        to = k + 1;
      }
    }
    if (out) {
      found.push({ meaning: out, token: tokens[i]!, to: tokens[to - 1]!.to });
      i = to;
    } else {
      found.push({ meaning: null, token: tokens[i]!, to: tokens[i]!.to });
      i++;
    }
  }
  return found;
}

const COUNTS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  single: 1,
  couple: 2,
  pair: 2,
  dozen: 12,
  twins: 2,
};

/** Words that say nothing more beside a condition that was understood. */
const BESIDE = new Set(
  'left right both side l r - weak arm leg hand foot knee hip shoulder wrist elbow joint sore bad pain painful problem issue disease condition patient user symptom'.split(
    ' ',
  ),
);
const LEADS_ON = new Set(
  'with has have having on for the a an of in to at is are was and who that had get use by from'.split(' '),
);

interface Clause {
  count: number | null;
  share: 'some' | 'most' | 'all' | 'none' | number | null;
  conditions: SaidCondition[];
  level: LevelIndex | null;
  sex: 'female' | 'male' | null;
  adult: boolean;
  ages: readonly [number, number] | null;
  name: string | null;
  ofThem: boolean;
  also: boolean;
  rest: boolean;
  people: boolean;
  relative: boolean;
  fine: boolean;
  outOf: number | null;
  between: boolean;
  says: string;
  unread: string[];
}

const within = (n: number) => Number.isInteger(n) && n >= 1 && n <= 120;

/** Where a new clause begins: at a stop, a comma, or an "and" that counts somebody. */
function clausesOf(text: string): Token[][] {
  const tokens = tokensOf(text, 600);
  const found: Token[][] = [[]];
  let depth = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i]!;
    const next = tokens[i + 1];
    if (token.word === '(' || token.word === '[') depth++;
    else if (token.word === ')' || token.word === ']') depth--;
    const stop =
      token.kind === 'sign' &&
      [',', ';', '.', '/', ':', '\t', '|', '!', '?', '&', '+', '–', '—', '•', '*'].includes(token.word) &&
      !(token.word === '+' && tokens[i - 1]?.kind === 'number' && tokens[i - 1]!.to === token.from);
    const lineEnd = i > 0 && text.slice(tokens[i - 1]!.to, token.from).includes('\n');
    const counts =
      next !== undefined &&
      (next.kind === 'number' ||
        COUNTS[next.word] !== undefined ||
        ['some', 'half', 'the', 'few', 'another'].includes(next.word));
    const article = next !== undefined && ['a', 'an'].includes(next.word);
    const andNew =
      ['and', 'plus', 'including', 'incl'].includes(token.word) &&
      counts &&
      (!article || personAfter(tokens, i + 2));
    if (lineEnd && depth <= 0) found.push([]);
    if ((stop && depth <= 0) || (andNew && depth <= 0)) {
      found.push([]);
      continue;
    }
    if (token.word === '(' || token.word === ')' || token.word === '[' || token.word === ']') continue;
    if (stop) continue;
    found.at(-1)!.push(token);
  }
  return found.filter((clause) => clause.some((token) => token.kind !== 'sign'));
}

/** Does a person come next, "a diabetic", or a thing somebody has, "a bad back"? */
function personAfter(tokens: readonly Token[], at: number): boolean {
  const word = tokens[at]?.word ?? '';
  if (/(ic|er|ant|ee|ist|ian|one|ie)$/.test(word) && word !== 'shoulder') return true;
  const [first] = meaningsOf(tokens.slice(at, at + 4));
  const is = first?.meaning?.is;
  if (is === 'level' || is === 'sex' || is === 'relative' || is === 'people' || is === 'adult') return true;
  return (
    is === 'condition' &&
    ['child', 'teenager', 'older-beginner', 'wheelchair'].includes((first!.meaning as { id: string }).id)
  );
}

function phase(id: ConditionId, weeks: number): ConditionId {
  if (id.startsWith('pregnancy')) return weeks <= EARLY_WEEKS ? 'pregnancy-early' : 'pregnancy-later';
  if (id.startsWith('after-birth'))
    return weeks <= SOON_WEEKS
      ? 'after-birth-early'
      : weeks <= EARLY_WEEKS
        ? 'after-birth-middle'
        : 'after-birth-later';
  return id;
}

/** Words that want another behind them, and what can't be that. */
const WANTS = new Set('with has have a an on and having no'.split(' '));
/** What was begun and not said: "one with", "osteoporosis and a bad". Somebody has something, nobody knows what. */
function danglingIn(text: string, tokens: readonly Token[]): string[] {
  return tokens.flatMap((token, i) => {
    const next = tokens[i + 1];
    const after = tokens[i + 2];
    const sore = next !== undefined && ['bad', 'sore', 'dodgy', 'stiff', 'weak', 'new'].includes(next.word);
    if (['a', 'an'].includes(token.word) && sore && (after === undefined || after.word === 'and'))
      return [text.slice(token.from, next.to)];
    if (token.word === 'one' && next?.word === 'one') return [text.slice(token.from, next.to)];
    if (!WANTS.has(token.word)) return [];
    if (next === undefined || (next.word === 'and' && token.word !== 'on'))
      return [text.slice(token.from, next?.to ?? token.to)];
    return [];
  });
}

function readClause(text: string, tokens: readonly Token[]): Clause {
  const says = text.slice(tokens[0]!.from, tokens.at(-1)!.to).trim();
  const clause: Clause = {
    count: null,
    share: null,
    conditions: [],
    level: null,
    sex: null,
    adult: false,
    ages: null,
    name: null,
    ofThem: false,
    also: false,
    rest: false,
    people: false,
    relative: false,
    fine: false,
    outOf: null,
    between: false,
    says,
    unread: [],
  };
  const pieces = meaningsOf(tokens);
  // "60s" and "12s" are ages here, not seconds.
  const decadeAt = (i: number) => {
    const token = pieces[i]?.token;
    return token?.kind === 'seconds' && text[token.to - 1] === 's' && token.to - token.from <= 3;
  };
  const numberAt = (i: number) =>
    (pieces[i]?.token.kind === 'number' && pieces[i]!.meaning === null) || decadeAt(i)
      ? pieces[i]!.token.value
      : null;
  const isAt = (i: number) => pieces[i]?.meaning?.is;
  // "nobody" denies all that follows, "no" only what comes next.
  let nobody = false;
  let deniedFrom = -2;
  let has = false;
  let side: 'left' | 'right' | 'both' | null = null;
  let weeks: number | null = null;
  let weeksSaid = '';
  let stray: Token[] = [];
  const flush = () => {
    // Words that only lead on aren't what isn't understood.
    while (stray.length > 0 && LEADS_ON.has(stray.at(-1)!.word)) stray.pop();
    if (stray.length > 0) clause.unread.push(text.slice(stray[0]!.from, stray.at(-1)!.to));
    stray = [];
  };
  for (let i = 0; i < pieces.length; i++) {
    const { meaning, token } = pieces[i]!;
    const original = text.slice(token.from, token.to);
    const n = numberAt(i);
    if (n !== null) {
      flush();
      const next = pieces[i + 1];
      const dash =
        next?.token.word === '-' ||
        next?.token.word === '–' ||
        next?.token.word === 'to' ||
        (next?.token.word === 'and' && isAt(i - 1) === 'age word');
      const to = dash ? numberAt(i + 2) : null;
      const tail = text.slice(token.to, token.to + 1);
      const follows = to === null ? i + 1 : i + 3;
      const years =
        isAt(follows) === 'age word' ||
        (pieces[follows]?.token.word === '-' && isAt(follows + 1) === 'age word');
      if (
        isAt(follows) === 'weeks' ||
        (to === null && pieces[follows]?.token.word === '-' && isAt(follows + 1) === 'weeks')
      ) {
        weeks = n * (pieces[follows]!.meaning as { times: number }).times;
        weeksSaid = text.slice(token.from, pieces[follows]!.to);
        i = follows;
        continue;
      }
      if (
        to !== null &&
        within(n) &&
        within(to) &&
        n < to &&
        (clause.count !== null ||
          years ||
          isAt(i - 1) === 'age word' ||
          pieces.length <= 3 ||
          clause.conditions.length > 0)
      ) {
        clause.ages = [n, to];
        i = years ? follows : follows - 1;
        continue;
      }
      if (isAt(i - 1) === 'over' || tail === '+') {
        clause.ages = [n, OLDEST];
        i =
          pieces[follows]?.token.word === '+' || pieces[follows]?.token.word === 's' ? follows : follows - 1;
        if (isAt(i + 1) === 'age word') i++;
        continue;
      }
      if (isAt(i - 1) === 'under') {
        clause.ages = [YOUNGEST, n - 1];
        i = pieces[follows]?.token.word === 's' ? follows : follows - 1;
        continue;
      }
      if (
        (isAt(i - 1) === 'decade' || decadeAt(i) || pieces[follows]?.token.word === 's' || tail === 's') &&
        n % 10 === 0 &&
        n >= 10
      ) {
        clause.ages = [n, n + 9];
        i = follows - 1 + (pieces[follows]?.token.word === 's' ? 1 : 0);
        continue;
      }
      if (
        years ||
        isAt(i - 1) === 'age word' ||
        (clause.name !== null && within(n) && clause.ages === null) ||
        (isAt(i - 1) === 'relative' && within(n))
      ) {
        clause.ages = [n, n];
        i = years ? follows + (pieces[follows]?.token.word === '-' ? 1 : 0) : i;
        continue;
      }
      // "osteoporosis x2", "2 x sore wrists"
      if (
        ['x', '×'].includes(pieces[i - 1]?.token.word ?? '') ||
        ['x', '×'].includes(next?.token.word ?? '')
      ) {
        clause.count = n;
        if (['x', '×'].includes(next?.token.word ?? '')) i++;
        continue;
      }
      // A number behind "with" counts knees, not people: "one with two new hips".
      if (clause.count !== null && has) {
        side = 'both';
        continue;
      }
      const before = pieces[i - 1]?.token.word;
      const of =
        before === 'of' ||
        (['the', 'them', 'us'].includes(before ?? '') && pieces[i - 2]?.token.word === 'of');
      // "two of the ten": how many there are in all.
      if (clause.count !== null && of && n >= clause.count) {
        clause.outOf = n;
        continue;
      }
      // "2 or 3": the more of them, and it is asked.
      if (clause.count !== null && before === 'or') {
        clause.count = Math.max(clause.count, n);
        clause.between = true;
        continue;
      }
      if (clause.count === null && Number.isInteger(n)) clause.count = n;
      else clause.unread.push(original);
      continue;
    }
    if (meaning === null) {
      const { word, kind } = token;
      if (original === 'ME' || original === 'M.E') {
        clause.conditions.push({ id: 'fatigue-after-effort' });
        continue;
      }
      if (kind === 'sign' || ['x', '×', 's', 'to'].includes(word)) continue;
      if (COUNTS[word] !== undefined && (clause.count === null || !has)) {
        clause.count = (clause.count ?? 1) === 1 ? COUNTS[word]! : clause.count! * COUNTS[word]!;
        continue;
      }
      const capital = /^\p{Lu}/u.test(original) && !/^\p{Lu}{2,}$/u.test(original);
      if (
        capital &&
        clause.name === null &&
        stray.length === 0 &&
        clause.conditions.length === 0 &&
        (clause.count === null || isAt(i - 1) === 'relative')
      ) {
        clause.name = original;
        continue;
      }
      if (kind === 'seconds' || kind === 'metres' || kind === 'kg' || kind === 'cm') {
        stray.push(token);
        continue;
      }
      stray.push(token);
      continue;
    }
    if (meaning.is === 'filler') {
      if (COUNTS[token.word] !== undefined && clause.count === null && clause.share === null && !has)
        clause.count = COUNTS[token.word]!;
      else if (stray.length > 0) stray.push(token);
      continue;
    }
    if (meaning.is !== 'has' && meaning.is !== 'sore' && meaning.is !== 'no' && meaning.is !== 'side')
      flush();
    switch (meaning.is) {
      case 'condition': {
        const id = meaning.id;
        if (nobody || deniedFrom === i - 1) break;
        clause.conditions.push({ id, ...(side === 'left' || side === 'right' ? { side } : {}) });
        break;
      }
      case 'level':
        if (!nobody && deniedFrom !== i - 1)
          clause.level =
            clause.level === null ? meaning.level : (Math.min(clause.level, meaning.level) as LevelIndex);
        else clause.level = 0;
        break;
      case 'sex':
        clause.sex = meaning.sex;
        clause.people = true;
        break;
      case 'relative':
        clause.count ??= 1;
        clause.relative = true;
        clause.sex = meaning.sex ?? clause.sex;
        break;
      case 'people':
        clause.people = true;
        break;
      case 'adult':
        clause.adult = true;
        clause.people = true;
        break;
      case 'share':
        if (meaning.of === 'none') nobody = true;
        clause.share = meaning.of;
        break;
      case 'rest':
        clause.rest = true;
        break;
      case 'of them':
        clause.ofThem = true;
        break;
      case 'also':
        clause.also = true;
        break;
      case 'side': {
        side = meaning.side;
        stray.push(token);
        // "new knee, left", "a stroke (left side weak)": the side comes after.
        const last = clause.conditions.at(-1);
        const followed = pieces.slice(i + 1).some((piece) => piece.meaning?.is === 'condition');
        if (last && !followed && side !== 'both')
          clause.conditions[clause.conditions.length - 1] = { ...last, side };
        break;
      }
      case 'no':
        deniedFrom = i;
        // What it denies isn't known: kept as written.
        stray.push(token);
        break;
      case 'fine':
        clause.fine = true;
        break;
      case 'has':
        if (stray.length > 0) stray.push(token);
        has = true;
        break;
      case 'sore':
        // Nothing sore was named: "a bad toe".
        stray.push(token);
        break;
    }
    if (meaning.is === 'condition' || meaning.is === 'fine') stray = [];
  }
  flush();
  // Weeks of what isn't said.
  if (weeks !== null && !clause.conditions.some(({ id }) => phase(id, 0) !== phase(id, 99)))
    clause.unread.push(weeksSaid);
  const only = (piece: string) =>
    clause.conditions.length > 0 && tokensOf(piece).every((token) => BESIDE.has(token.word));
  const unread = clause.unread
    .map((piece) => piece.trim())
    .filter(
      (piece) =>
        !only(piece) &&
        meaningsOf(tokensOf(piece)).some(
          ({ meaning, token }) =>
            (meaning === null && token.kind !== 'sign') ||
            (meaning !== null && ['no', 'side', 'sore'].includes(meaning.is)),
        ),
    );
  clause.unread = nobody && clause.conditions.length === 0 ? [] : unread;
  clause.unread.push(...danglingIn(text, tokens));
  const sided = (one: SaidCondition): SaidCondition =>
    one.side && !CONDITIONS[one.id].name ? { id: one.id } : one;
  const unique = new Map<string, SaidCondition>();
  for (const one of clause.conditions) {
    const id = weeks === null ? one.id : phase(one.id, weeks);
    const known = unique.get(id);
    const next = sided({ ...one, id });
    unique.set(id, known && known.side !== next.side ? { id } : next);
  }
  clause.conditions = narrowed([...unique.values()]);
  return clause;
}

/** What is said in general beside what says it exactly: who has heart failure has been said to have heart disease too. */
const WIDER: Readonly<Partial<Record<ConditionId, readonly ConditionId[]>>> = {
  'spine-fracture': ['osteoporosis'],
  'diabetes-insulin': ['diabetes'],
  'heart-failure': ['heart-disease'],
  falls: ['unsure-balance'],
};
function narrowed(conditions: SaidCondition[]): SaidCondition[] {
  const ids = new Set(conditions.map(({ id }) => id));
  return conditions.filter(
    ({ id }) => !conditions.some((other) => WIDER[other.id]?.includes(id) && ids.has(other.id)),
  );
}

const kindOf = (
  ages: readonly [number, number] | null,
  conditions: readonly SaidCondition[],
): WhoPart['kind'] => {
  const has = (id: ConditionId) => conditions.some((one) => one.id === id);
  if (has('child') || has('teenager') || (ages && ages[0] < ADULT_FROM)) return 'child or teenager';
  if (has('older-beginner') || (ages && ages[1] >= OLDER_FROM)) return 'older adult';
  return null;
};

/** An age below eighteen means a child's or a teenager's limits, said or not. */
function withAge(
  ages: readonly [number, number] | null,
  conditions: readonly SaidCondition[],
): readonly SaidCondition[] {
  if (!ages || ages[0] >= ADULT_FROM || conditions.some(({ id }) => id === 'child' || id === 'teenager'))
    return conditions;
  return [...conditions, { id: ages[0] < CHILD_BELOW ? 'child' : 'teenager' }];
}

function partFrom(clause: Clause, count: number, base: Clause | null): WhoPart {
  const own = clause.conditions;
  const inherited = base ? base.conditions.filter(({ id }) => !own.some((one) => one.id === id)) : [];
  const ages = clause.ages ?? base?.ages ?? null;
  const conditions = withAge(ages, [...inherited, ...own]);
  return {
    count,
    conditions,
    level: clause.level ?? base?.level ?? null,
    kind: kindOf(ages, conditions),
    sex: clause.sex ?? base?.sex ?? null,
    ages,
    name: clause.name,
    says: clause.says,
    unread: [...(base?.unread ?? []), ...clause.unread],
  };
}

/** Categories that shut each other out, so that two of them are two kinds of people rather than some of the first. */
function apartFrom(a: Clause, b: Clause): boolean {
  const category = (c: Clause) => ({
    sex: c.sex,
    level: c.level,
    grown: c.adult
      ? 'adult'
      : c.conditions.some(({ id }) => id === 'child')
        ? 'child'
        : c.conditions.some(({ id }) => id === 'teenager')
          ? 'teen'
          : null,
  });
  const [x, y] = [category(a), category(b)];
  if (b.ofThem) return false;
  return (
    (x.sex !== null && y.sex !== null && x.sex !== y.sex) ||
    (x.level !== null && y.level !== null && x.level !== y.level) ||
    (x.grown !== null && y.grown !== null && x.grown !== y.grown)
  );
}

/** Said of what kind of people they are, by age alone. */
const categorized = (c: Clause) =>
  c.ages !== null || c.conditions.some(({ id }) => ['child', 'teenager', 'older-beginner'].includes(id));
const described = (c: Clause) =>
  c.conditions.length > 0 || c.level !== null || c.ages !== null || c.unread.length > 0;

/**
 * Reads who is here: a total, and parts of it with all that was said of them. The parts never overlap; where numbers
 * don't add up everybody concerned is taken for the most careful of what was said, and it is asked. Pure.
 */
export function readWho(text: string): Who {
  const trimmed = text.slice(0, 4000);
  const clauses: Clause[] = [];
  const unread: string[] = [];
  const asks: string[] = [];
  for (const tokens of clausesOf(trimmed)) {
    const clause = readClause(trimmed, tokens);
    const last = clauses.at(-1);
    const bare =
      clause.count === null && clause.share === null && clause.name === null && !clause.rest && !clause.adult;
    if (bare && clause.fine && !described(clause)) continue;
    // "Tom, 45, bad back": a number by itself behind somebody is their age.
    if (
      last &&
      (last.name !== null || last.relative) &&
      last.ages === null &&
      clause.count !== null &&
      within(clause.count) &&
      clause.count > 3 &&
      !clause.people &&
      clause.name === null &&
      tokens.length === 1
    ) {
      last.ages = [clause.count, clause.count];
      continue;
    }
    // What has no count of its own goes on about those before.
    if (
      bare &&
      last &&
      (described(clause) || clause.sex !== null) &&
      (last.name !== null || last.count !== null || last.share !== null) &&
      !clause.people
    ) {
      const alone =
        clauses.length === 1 &&
        last.count !== null &&
        last.count > 1 &&
        !described(last) &&
        clause.ages === null &&
        clause.level === null;
      if (!alone) {
        merge(last, clause);
        continue;
      }
      // "10 people, sore knees": how many of them isn't said.
      clauses.push({ ...clause, share: 'some' });
      continue;
    }
    clauses.push(clause);
  }
  const [first] = clauses;
  // "Parkinson's class, 8": what they are, then how many.
  if (
    first &&
    first.count === null &&
    first.share === null &&
    first.name === null &&
    clauses[1] &&
    clauses[1].count !== null &&
    !described(clauses[1]) &&
    clauses[1].name === null
  ) {
    first.count = clauses[1].count;
    first.people = true;
    clauses.splice(1, 1);
  }
  const rest = clauses.slice(1);
  const counted = (c: Clause) => c.count ?? (c.name !== null ? 1 : null);
  const firstCount = first ? counted(first) : null;
  const summed = first !== undefined && rest.some((c) => counted(c) !== null && apartFrom(first, c));
  const named =
    clauses.length > 0 && clauses.every((c) => c.name !== null || (c.count === 1 && c.sex !== null));
  const isTotal =
    first !== undefined &&
    firstCount !== null &&
    !summed &&
    !named &&
    first.name === null &&
    first.outOf === null &&
    (first.people ||
      !described(first) ||
      clauses.length === 1 ||
      (categorized(first) && rest.every((c) => !categorized(c) && (counted(c) ?? 0) <= firstCount)));
  const wholeOnly = isTotal && first !== undefined;
  let total = wholeOnly ? firstCount! : 0;
  const base = wholeOnly && (described(first!) || first!.sex !== null) ? first! : null;
  const parts: WhoPart[] = [];
  let taken = 0;
  const members = wholeOnly ? rest : clauses;
  let others: Clause | null = null;
  for (const clause of members) {
    if (clause.share === 'none' || (clause.fine && !described(clause) && clause.count === null)) continue;
    if (clause.rest) {
      others = clause;
      continue;
    }
    let count = counted(clause);
    if (clause.share === 'all' && !described(clause) && clause.sex === null) {
      if (!clause.fine) unread.push(clause.says);
      continue;
    }
    if (clause.share === 'all') {
      // Said of everybody: those before and those to come.
      if (total > 0) {
        for (let i = 0; i < parts.length; i++)
          parts[i] = partFrom(
            {
              ...clause,
              ...{
                conditions: [
                  ...clause.conditions,
                  ...parts[i]!.conditions.filter(({ id }) => !clause.conditions.some((c) => c.id === id)),
                ],
                level: parts[i]!.level ?? clause.level,
                ages: parts[i]!.ages ?? clause.ages,
                name: parts[i]!.name,
                says: parts[i]!.says,
                unread: [...parts[i]!.unread, ...clause.unread],
                sex: parts[i]!.sex ?? clause.sex,
              },
            },
            parts[i]!.count,
            null,
          );
        others = others ?? clause;
        continue;
      }
      unread.push(clause.says);
      continue;
    }
    if (typeof clause.share === 'number' && total > 0 && count === null)
      count = Math.max(1, Math.ceil(total * clause.share));
    if (count === null && clause.share !== null) {
      unread.push(clause.says);
      asks.push(`“${clause.says}”: how many?`);
      continue;
    }
    if (count === null) {
      if (described(clause)) {
        if (total > 0 || members.length > 1) {
          unread.push(clause.says);
          asks.push(`“${clause.says}”: how many?`);
        } else if (clause.conditions.length === 0 && clause.level === null && clause.ages === null)
          unread.push(clause.says);
        else {
          count = 1;
          parts.push(partFrom(clause, 1, base));
          taken += 1;
        }
      } else if (!clause.people && !clause.fine && clause.says !== '') unread.push(clause.says);
      continue;
    }
    if (count === 0) continue;
    if (!described(clause) && clause.name === null && clause.sex === null && !clause.adult && wholeOnly) {
      unread.push(clause.says);
      continue;
    }
    const before = parts.at(-1);
    if (clause.ofThem && clause.also && before && count <= before.count) {
      // Some of those just named: they have both.
      const both: WhoPart = partFrom(
        {
          ...clause,
          conditions: [
            ...before.conditions,
            ...clause.conditions.filter(({ id }) => !before.conditions.some((c) => c.id === id)),
          ],
          level: clause.level ?? before.level,
          ages: clause.ages ?? before.ages,
          unread: [...before.unread, ...clause.unread],
        },
        count,
        null,
      );
      parts.pop();
      if (before.count > count) parts.push({ ...before, count: before.count - count });
      parts.push(both);
      continue;
    }
    parts.push(partFrom(clause, count, base));
    taken += count;
  }
  if (!wholeOnly) total = Math.max(taken, ...members.map((c) => c.outOf ?? 0));
  for (const c of members) if (c.between) asks.push(`“${c.says}”: how many?`);
  if (total === 0 && taken > 0) total = taken;
  let remaining = total - parts.reduce((sum, part) => sum + part.count, 0);
  if (parts.some((part) => part.count > total)) {
    const many = parts.find((part) => part.count > total)!;
    asks.push(`${many.says}: more than the ${total} there are.`);
  } else if (remaining < 0)
    asks.push(`${parts.map((part) => part.count).join(' + ')} are more than ${total}: some are in both.`);
  let careful: WhoPart[] = parts;
  if (remaining < 0) {
    // Who is in which isn't known: everybody is taken for all of it.
    const all = new Map<string, SaidCondition>();
    for (const part of parts)
      for (const one of part.conditions)
        all.set(one.id, all.has(one.id) && all.get(one.id)!.side !== one.side ? { id: one.id } : one);
    const conditions = narrowed([...all.values()]);
    const levels = parts.flatMap((part) => part.level ?? []);
    careful = [
      {
        ...parts[0]!,
        count: total,
        conditions,
        level: levels.length > 0 ? (Math.min(...levels) as LevelIndex) : null,
        ages: null,
        kind: parts.find((part) => part.kind)?.kind ?? null,
        sex: null,
        name: null,
        says: parts.map((part) => part.says).join(', '),
        unread: parts.flatMap((part) => part.unread),
      },
    ];
    remaining = 0;
  }
  const whole = others ?? base;
  if (whole && remaining > 0) {
    const made = partFrom(
      whole === base ? whole : { ...whole, conditions: [...whole.conditions] },
      remaining,
      whole === base ? null : base,
    );
    careful = [made, ...careful];
  }
  const problem =
    total === 0
      ? 'Say how many people there are, such as “14 people, two sore knees, one no floor”.'
      : total > MOST_PEOPLE
        ? `${total} people are more than one session can hold (${MOST_PEOPLE} at the most).`
        : null;
  return { total, parts: careful, unread, asks, problem };
}

function merge(into: Clause, from: Clause): void {
  into.conditions = narrowed([
    ...into.conditions,
    ...from.conditions.filter(({ id }) => !into.conditions.some((one) => one.id === id)),
  ]);
  into.level =
    into.level === null
      ? from.level
      : from.level === null
        ? into.level
        : (Math.min(into.level, from.level) as LevelIndex);
  into.ages ??= from.ages;
  into.sex ??= from.sex;
  into.unread.push(...from.unread);
  into.says = `${into.says}, ${from.says}`;
}
