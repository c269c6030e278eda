import { CONDITIONS, type ConditionId, type LevelIndex } from '../person/index.ts';
import { CONDITION_NAMES } from './conditions.ts';
import { Phrases } from './phrases.ts';
import { type Token, tokensOf } from './tokens.ts';

/** Weeks in a month, as a pregnancy is counted. */
const WEEKS_A_MONTH = 4.35;

/** What a phrase says of people. */
export type Meaning =
  | {
      readonly is: 'condition';
      readonly id: ConditionId;
      /** Of all of them: "nobody can kneel". */
      readonly all?: true;
      /** Something that happened on a day: how long ago matters. */
      readonly event?: true;
    }
  /** So many weeks ago, in words. */
  | { readonly is: 'ago'; readonly weeks: number }
  | { readonly is: 'level'; readonly level: LevelIndex }
  | { readonly is: 'sex'; readonly sex: 'female' | 'male' }
  | { readonly is: 'relative'; readonly sex: 'female' | 'male' | null }
  | { readonly is: 'people' }
  /** One person and their trainer. */
  | { readonly is: 'alone' }
  /** So many in all. */
  | { readonly is: 'total' }
  /** Of a school: how old they are. */
  | { readonly is: 'ages'; readonly from: number; readonly to: number }
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

const LISTED: (readonly [Meaning, readonly string[]])[] = [];
const list = (meaning: Meaning, phrases: readonly string[]) => LISTED.push([meaning, phrases]);
const JOINS = new Set('of in the a an her his their my with on at to both left right'.split(' '));
/** A word as it is compared, a number by its digits. */
const wordOf = (token: Token): string =>
  token.kind === 'number' && !token.spelt ? String(token.value) : token.word;
const lexicon = new Phrases<Meaning>((lexicon) => {
  for (const [meaning, phrases] of LISTED)
    for (const phrase of phrases)
      lexicon.add(
        tokensOf(phrase)
          .filter((token) => token.kind !== 'sign')
          .map(wordOf),
        meaning,
      );
});
/** Names of conditions without the words that only join: "arthritis of both her knees" is one of the knee. */
const bare = new Phrases<Meaning>((bare) => {
  for (const [id, names] of Object.entries(CONDITION_NAMES))
    for (const name of names) {
      const kept = tokensOf(name)
        .filter((token) => token.kind !== 'sign' && !JOINS.has(token.word))
        .map(wordOf);
      if (kept.length > 1) bare.add(kept, { is: 'condition', id: id as ConditionId });
    }
});
const words = (text: string) => text.split(',');

list(
  { is: 'fine' },
  words(
    'no injuries,no injury,all fine,all healthy,no problems,no problem,no issues,no conditions,no condition,all ok,all good,nothing else,no health problems,no health issues,fine,healthy,injury free,no limitations,fit and well,fit and healthy,all well,no medical issues,no known conditions,no medical conditions,ok,okay,alright,all right,fit as a fiddle,no concerns,nothing to report,in good health,no aches,nothing,nil,nowt,general,general population,gen pop,general fitness,nothing wrong,standing,on their feet,able bodied,ambulant,good,good to go,all clear',
  ),
);
list(
  { is: 'level', level: 0 },
  words(
    'beginner,newbie,newby,rookie,rooky,new,newcomer,new starter,starter,first timer,first time,novice,unfit,not fit,not very fit,not so fit,never exercised,never trained,has never exercised,deconditioned,sedentary,inactive,new to exercise,new to this,complete beginner,total beginner,absolute beginner,very unfit,out of shape,starting out,just started,just starting,never done it,not active,couch potato,first class,rusty,out of condition,brand new,havent exercised,hasnt exercised,not exercised,havent exercised for years,hasnt exercised for years,havent exercised in years,hasnt exercised in years,not exercised for years,not exercised in years,havent done anything for years,havent trained,hasnt trained,havent trained for years,not trained for years,havent done any exercise,hasnt done any exercise,no exercise for years,desk bound,deskbound',
  ),
);
list(
  { is: 'level', level: 1 },
  words(
    'improver,some experience,intermediate,bit of experience,a bit of experience,fairly new,fairly fit,quite fit,average,average fitness,moderately fit,medium,finding their feet,finding her feet,finding his feet',
  ),
);
list(
  { is: 'level', level: 2 },
  words(
    'been coming,been coming for years,been coming for ages,been coming a while,been coming a year,been coming for a year,been at it for years,long standing,old timer,fit,regular,steady,experienced,active,seasoned,trained,comes every week,old hand,used to it,moves well,move well,moving well,well moving',
  ),
);
list(
  { is: 'level', level: 3 },
  words(
    'very fit,super fit,really fit,extremely fit,advanced,athlete,athletic,elite,strong,very strong,very advanced,marathon runner,runner,crossfitter,competitive',
  ),
);
/** Of the heart, on a day. */
list({ is: 'condition', id: 'heart-disease', event: true }, [
  'heart attack',
  'myocardial infarction',
  'coronary',
  'stent',
  'had a stent',
  'cardiac arrest',
  'angioplasty',
  'heart operation',
]);
list(
  { is: 'condition', id: 'breastbone', event: true },
  words('bypass,heart bypass,bypass surgery,open heart surgery,cabg'),
);
list(
  { is: 'ago', weeks: 1 },
  words('last week,this week,yesterday,days ago,few days ago,a week ago,other week'),
);
list(
  { is: 'ago', weeks: WEEKS_A_MONTH },
  words('last month,this month,a month ago,few weeks ago,couple of weeks ago'),
);
/** What somebody can't, doesn't or won't comes to the same. */
const CANNOT = words('cant,cannot,can not,unable to,not able to,doesnt,dont,wont,shouldnt,isnt able to');
for (const [key, names] of Object.entries(CONDITION_NAMES)) {
  const id = key as ConditionId;
  // "Nobody can kneel": what one person can't, and of all of them.
  const cannot = names.flatMap((name) => /^(?:cant|cannot) (.+)$/.exec(name)?.[1] ?? []);
  list({ is: 'condition', id }, [
    ...names,
    ...cannot.flatMap((what) => CANNOT.map((not) => `${not} ${what}`)),
    ...(names.length > 0 ? [CONDITIONS[id].name.replace(/,/g, '')] : []),
  ]);
  list(
    { is: 'condition', id, all: true },
    cannot.flatMap((what) =>
      [
        'nobody can',
        'no one can',
        'none can',
        'none of them can',
        'none of whom can',
        'none of us can',
        'not one can',
        'not one of them can',
      ].map((no) => `${no} ${what}`),
    ),
  );
}
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
list(
  { is: 'relative', sex: null },
  words('just me,only me,its me,client,my client,friend,partner,neighbour,colleague'),
);
list(
  { is: 'people' },
  words(
    'ppl,peeps,ex runner,former runner,ex athlete,former athlete,retired athlete,people,person,participant,member,mate,pal,buddy,worker,office worker,office staff,of us,class,group,clients,pax,folk,individual,attendee,attending,here,today,present,coming,turned up,in the class,in the group,students,student,guys,trainee,employee,staff,patient,pt,player,heads,person group,in my class,a class of,a group of,group of,class of,there are,we are,we have,i have,ive got,participants,members,team,squad,customers,them,bodies,drop in,dropin,walk in,walkin,' +
      'nurse,teacher,firefighter,fire fighter,banker,builder,driver,farmer,police officer,officer,soldier,paramedic,lawyer,mechanic,engineer,dancer,cyclist,golfer,swimmer,footballer,rugby player,skier,climber,hiker,rambler,gardener,cleaner,postman,postwoman,plumber,electrician,joiner,chef,waiter,accountant,clerk,programmer,developer,scientist,musician,singer,volunteer,commuter,apprentice,cadet,resident,tenant,guest,visitor,pupil,learner',
  ),
);
list(
  { is: 'alone' },
  words('one on one,one to one,1 on 1,1 to 1,121,personal training,pt session,pt client'),
);
list({ is: 'total' }, words('in all,altogether,in total,total,all together,all told'));
// Years at school in England, and schools by their usual ages. From memory.
for (const [from, to, said] of [
  [1, 3, 'toddler'],
  [3, 5, 'preschooler,preschool,nursery'],
  [4, 5, 'reception,reception class'],
  [5, 7, 'ks1,key stage 1,infant school,infants'],
  [7, 11, 'ks2,key stage 2,junior school'],
  [5, 11, 'primary school,primary,elementary school,elementary,primary age'],
  [11, 14, 'ks3,key stage 3,middle school,middle schooler'],
  [14, 16, 'ks4,key stage 4,gcse'],
  [11, 16, 'secondary school,secondary,high school,high schooler'],
  [16, 18, 'sixth form,sixth former,a level'],
] as const)
  list({ is: 'ages', from, to }, words(said));
list(
  { is: 'adult' },
  words(
    'adult,grown up,grownup,parent,carer,teacher,helper,volunteer,teaching assistant,support worker,ta,supporter',
  ),
);
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
    'youngest,oldest,aged,age,ages,year old,years old,yr old,yrs old,yo,y o,yrs,year,yr,olds,old,years of age,ages between,between',
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
    'torn,ruptured,sprained,swollen,puffy,bruised,inflamed,sore,bad,dodgy,painful,aching,achy,stiff,injured,weak,hurt,hurting,pain,problem,trouble,issue,injury,sensitive,delicate,tender,niggle,tweaked,strained,pulled,tight,dicky,gammy,playing up,plays up,acting up,replaced,replacement,symptom,disease,condition,syndrome,patient,sufferer,user',
  ),
);
list(
  { is: 'filler' },
  words(
    'please,pls,thanks,joining in,joins in,join in,taking part,coming back from,coming back,come back,back from,back after,back to,back into,just back,welcome back,back again,a,an,the,and,of,in,to,at,my,our,their,his,who,that,which,very,quite,really,slightly,heavily,mild,mildly,moderate,bit,little,some kind of,one,so,be,been,it,its,i,we,they,there,this,these,just,only,about,around,roughly,approximately,approx,maybe,probably,from,by,well,controlled,well controlled,medication,meds,medicine,tablet,known,history of,history,previous,old,recent,recently,still,now,currently,ago,last,since,side,arm,leg,time,times,post,recovering,recovery,usual,usually,sometimes,occasional,occasionally,bad day,plus one,another,extra,body,tonight,morning,evening,tuesday,monday,wednesday,thursday,friday,saturday,sunday,day,ones,level,levels,fitness,lot,as,or,but,if,either,mixed,mix,ability,abilities,gender,off,otherwise,more,night,football,rugby,netball,hockey,cricket,tennis,swimming,gymnastics,basketball,running,desk job,am,pm,reading,notes,note,bootcamp,boot camp,circuits,circuit,hiit,pilates,yoga,aerobics,aqua,conditioning,strength class,balance class,keen,motivated,enthusiastic,lovely,cheerful,chatty,prevention,rehab,recovery class,care home,nursing home,day centre,village hall,sheltered housing,small,big,large,keen walker,dog walker,hill walker,walking group,park,hall,gym,studio,outdoors,outside,indoors,church hall,community centre,vary,varies,varied,variable,office job,office,sits all day,club,session,menopause,menopausal,perimenopausal,postmenopausal,baby,babies,buggy,returning,returner,inc,incl,school,family,families,earliest,latest,furthest,furthest along,furthest on',
  ),
);

/** A phrase of what was said, by its first token, with what it means; null for a word nobody knows. */
export interface Piece {
  readonly meaning: Meaning | null;
  readonly token: Token;
  readonly to: number;
}

/** Words with what they mean, longest phrases first. */
export function meaningsOf(tokens: readonly Token[]): Piece[] {
  const words = tokens.map(wordOf);
  // A hyphen inside a phrase is passed over, as a space is.
  const hyphen = (k: number) => tokens[k]!.word === '-';
  const side = (k: number) => ['left', 'right'].includes(tokens[k]!.word);
  const joins = (k: number) => hyphen(k) || JOINS.has(tokens[k]!.word);
  const found: Piece[] = [];
  for (let i = 0; i < tokens.length; ) {
    let phrase = lexicon.longest(words, i, hyphen);
    // "Frozen right shoulder": a side in the middle of what it is of comes before it.
    const withSide = lexicon.longest(words, i, (k) => hyphen(k) || side(k));
    const loose = bare.longest(words, i, joins);
    const sided = (loose?.to ?? 0) > (withSide?.to ?? 0) ? loose : withSide;
    if (sided?.means.is === 'condition' && sided.to > (phrase?.to ?? 0) && !side(i)) {
      const at = tokens.findIndex((_, k) => k > i && k < sided.to && side(k));
      if (at > 0) {
        const means = { is: 'side', side: tokens[at]!.word as 'left' | 'right' } as const;
        found.push({ meaning: means, token: tokens[at]!, to: tokens[at]!.to });
      }
      phrase = sided;
    }
    const to = phrase?.to ?? i + 1;
    found.push({ meaning: phrase?.means ?? null, token: tokens[i]!, to: tokens[to - 1]!.to });
    i = to;
  }
  return found;
}
