import type { ConditionId } from './conditions.ts';

const THEIR_OWN = 'What they say of themselves; no guidance.';

/**
 * What each condition goes by: the guidance that is named, and what of it is used, from memory. No source names this
 * library's own levels: how far "no heavy load" goes is common practice, put into figures here.
 */
export const GUIDANCE: Readonly<Record<ConditionId, string>> = {
  'sore-knees': 'NICE NG226 and usual physiotherapy: pain-led loading, no impact, no kneeling on what hurts.',
  'knee-osteoarthritis':
    'OARSI 2019, NICE NG226: land exercise for everybody; strength and walking, pain-led, impact kept low.',
  'knee-front-pain':
    'Usual physiotherapy (patellofemoral consensus 2018): hip and knee work in little bend, no deep bend, no kneeling.',
  'knee-replacement':
    'Usual surgical advice: no running and jumping, no forced bend, kneeling as it is borne; not in its first weeks.',
  'hip-replacement-back':
    'Usual precautions after a posterior approach: no bend past 90°, no crossing, no turning in; no impact.',
  'hip-replacement-front':
    'Usual precautions after an anterior approach: no stretching back and turning out; no impact.',
  'sore-ankle-foot': 'Usual physiotherapy: load as it is borne, no hops and no edge until it is quiet.',
  'back-worse-bending':
    'NICE NG59: stay active; usual physiotherapy for a direction that hurts: no loaded bend.',
  'back-worse-arching':
    'NICE NG59: stay active; usual physiotherapy for a direction that hurts: no loaded arch.',
  osteoporosis:
    'Giangregorio 2014 (Too Fit to Fracture), Royal Osteoporosis Society 2018: no loaded or end-range bend and twist, balance work held where unsure, moderate impact as their clinic says, none here until it does.',
  'spine-fracture':
    'The same, for those with a fracture of the spine: no bend, no twist, no jumps, light loads near the body, lying down and up by the side.',
  'sore-shoulder':
    'Usual physiotherapy: below the height that hurts, light, no hanging, no weight on it that hurts.',
  'sore-shoulder-low': 'The same, where chest height hurts already: arms low, nothing borne on them.',
  'shoulder-replacement':
    'Usual surgical advice: light, no hanging, no pushing up from a chair with it, no weight borne on the arm.',
  'sore-elbow': 'Usual physiotherapy: grip and elbow load as they are borne.',
  'wrist-bent-back': 'Usual physiotherapy: a straight wrist, on fists or forearms.',
  'wrist-no-load': 'Usual physiotherapy: no weight through the hand.',
  'wrist-no-grip': 'Usual physiotherapy: nothing that must be gripped.',
  'wrist-no-turn': 'Usual physiotherapy: no turning of the loaded forearm.',
  'arthritis-flare':
    'EULAR 2018: active in quiet times; in a flare range and gentle effort, no load on hot joints.',
  hypermobility: 'Usual physiotherapy: inside the end of the range, slow, no long stretches.',
  neck: 'Usual physiotherapy: no load on the head, no fast head turns, nothing heavy overhead.',
  breastbone:
    'Surgeon first; usual advice for 12 weeks: nothing heavy, no pushing or pulling with the arms apart, no weight on the arms.',
  'recent-surgery': 'Surgeon first; usual advice for 6 to 12 weeks: light, no straining, no impact.',
  hernia: 'Usual surgical advice: no straining and heavy lifting, no pressure on the belly.',
  'larger-body': 'ACSM: low impact first, ways off the floor, chairs that bear it; everything else as fit.',
  'bone-secondaries':
    'Campbell 2019 (ACSM roundtable), bone metastases consensus 2022: a doctor first; nothing loaded at the place, no bend and twist, no falls.',
  'hip-osteoarthritis':
    'OARSI 2019, NICE NG226: land exercise for everybody; impact kept low, range as it is borne.',
  'hip-fracture':
    'Usual rehabilitation after a fracture: strength and balance, held where unsure, no falls, no impact, as after a replacement.',
  sciatica:
    'NICE NG59: stay active; no loaded bend; numbness between the legs, weakness or bladder signs go to a hospital at once.',
  'frozen-shoulder': 'Usual physiotherapy: inside what doesn’t hurt, light, nothing forced.',
  'unstable-shoulder':
    'Usual physiotherapy: no arm out and back, no hanging, no weight on a straight arm overhead.',
  amputation:
    'Usual prosthetic practice: impact and edges off the socket, held where unsure, skin looked at.',
  'high-blood-pressure':
    'ACSM; ESC 2018: no breath holding, no long holds, head up, a long cool-down; not above 200/110 at rest.',
  'rate-medication': 'ACSM: effort by words and the talk test; a heart rate says little.',
  'implanted-defibrillator':
    'ESC 2020: a doctor first, at least 10 to 20 beats below the rate at which it acts, which only the clinic knows.',
  'heart-disease':
    'ACSM, AACVPR, BACPR: cleared; 40 to 80 % of reserve, RPE 11 to 14 of 20, long warm-up and cool-down, no straining.',
  'heart-failure': 'ESC 2020, ACSM: cleared and stable; RPE 11 to 14 of 20, weight watched day by day.',
  'diabetes-insulin':
    'Riddell 2017, ADA 2016: not below 5 mmol/L (90 mg/dL) without carbohydrate, not with ketones; sugar in reach.',
  diabetes: 'ADA 2016: all kinds, feet looked at; nothing barred by sugar alone.',
  'numb-feet': 'ADA 2016: shoes, feet looked at, no repeated impact, held where balance asks.',
  'diabetic-eyes': 'ADA 2016: with active disease of the eye no straining, jolts or head low.',
  asthma:
    'GINA, ATS: a graded warm-up of ten to fifteen minutes, the reliever in reach; nothing else barred.',
  copd: 'ATS and ERS 2013: intervals, breathlessness 4 to 6 of 10, rests before they are needed, oxygen not below 88 % where they measure it.',
  'leg-arteries': 'ACSM, TASC II: walk into moderate pain, rest until it is gone, again.',
  anticoagulants:
    'Usual practice: nothing that falls, is jumped off or hit; what bleeds or a knock on the head ends it.',
  'heart-event-recent':
    'BACPR, AACVPR: a doctor and a programme first; after that RPE 11 to 13 of 20, no straining.',
  'valve-or-aneurysm': 'ESC 2020: a doctor first; no heavy load, no straining, no contests.',
  fainting:
    'ESC 2018, syncope: a doctor first; slow changes of level, nothing overhead or high, nobody alone.',
  'autonomic-neuropathy': 'ADA 2016: a doctor first; slow changes of level, effort by words, no heat.',
  clot: 'Usual practice: a doctor first, and under treatment; blood thinners besides, no knocks.',
  'kidney-disease':
    'UK Kidney Association 2022: moderate, strength as others, not straining; with dialysis the other arm.',
  'sickle-cell': 'Usual haematology: drink, warm, rests early, no all-out effort, no holding of breath.',
  anaemia: 'Usual practice: light to moderate until it is treated, rests early.',
  'not-understood': 'Nothing is known: the careful end of every limit, until somebody says what it is.',
  'no-jumping': THEIR_OWN,
  'no-kneeling': THEIR_OWN,
  'no-floor': THEIR_OWN,
  'seated-only': THEIR_OWN,
  wheelchair: 'Martin Ginis 2018 where the cord is injured; else what they say of themselves.',
  'older-beginner':
    'WHO 2020, ACSM: balance and strength three and two days, begun light; no jumps to begin with is common practice.',
  child: 'AAP 2020, WHO 2020: an hour a day, strength by skill, no lifts at the most, landings counted.',
  teenager: 'AAP 2020, WHO 2020: as adults by skill, no lifts at the most while growing.',
  'growth-pain': 'Usual sports medicine: fewer landings and less kneeling on what pulls, as pain allows.',
  'unsure-balance': 'Otago programme: something to hold, one thing at a time, harder as it is steady.',
  falls: 'CDC STEADI, Otago programme: strength and balance, held where unsure, slow changes of level.',
  vertigo: 'Usual vestibular practice: no fast head turns, nothing stood on, slow lying down and getting up.',
  'low-vision':
    'Usual practice: nothing stepped on or over that isn’t felt, a clear floor, said rather than shown.',
  'stroke-weak-side':
    'AHA and ASA 2014: 40 to 70 % of reserve, RPE 11 to 14 of 20, the weak side supported, no breath holding.',
  parkinsons:
    'ACSM; European guideline 2014: big and rhythmic, held at turns, at the hour when medicine works.',
  'multiple-sclerosis': 'ACSM; Kalb 2020: moderate, cool, rests early; warmth brings signs that pass.',
  dementia: 'WHO 2020; usual practice: one thing at a time, shown, nothing that falls, never alone.',
  epilepsy:
    'ILAE 2016: free of fits nearly everything; nothing high, heavy overhead or over the face, nobody alone.',
  glaucoma: 'Usual ophthalmology: head not below the heart, no breath holding, no long upside-down holds.',
  'pregnancy-early':
    'ACOG 2020 (804), SOGC and CSEP 2019: moderate, talk test, no contact, falls or heat; who is active goes on.',
  'pregnancy-later':
    'The same, and after week 12: not long flat on the back, no belly pressure, wider stance, no jumps is common practice.',
  'after-birth-early':
    'Goom 2019, POGP: walking, pelvic floor and breath; no load and no impact in six weeks.',
  'after-birth-middle':
    'Goom 2019: light strength as it is borne, no running and jumping before twelve weeks.',
  'after-birth-later': 'Goom 2019: landings begin again when nothing leaks, drags or hurts.',
  'pelvic-floor': 'POGP, Goom 2019: no straining and no impact that leaks; breathe out with effort.',
  'fatigue-after-effort':
    'NICE NG206: no plan that climbs, inside the energy they have, less after a bad day.',
  'cancer-treatment':
    'Campbell 2019: moderate, strength twice a week, on treatment days as they are; no falls with thin bones or nerves hurt.',
  lymphoedema:
    'Campbell 2019: strength is safe when it grows slowly; sleeve worn, no cuts or squeezing of the arm.',
  'dialysis-arm': 'UK Kidney Association 2022: no pressure, hanging or heavy load on that arm.',
  'walking-aid': 'Otago programme: something to hold in standing, a chair near.',
  concussion:
    'Amsterdam 2023: a doctor first; light effort after a day or two, no head impact, step by step.',
  'spinal-cord-injury':
    'Martin Ginis 2018: twenty minutes twice a week and strength twice; skin, bladder and pressure looked after, heat avoided.',
  'cerebral-palsy': 'Verschuren 2016: strength and effort as others, slow range, held where balance asks.',
  'down-syndrome': 'AAP 2022: neck and heart known, any sign of the neck looked at; no load or roll on it.',
  'learning-disability': 'Usual practice: shown, one thing at a time, heart and thyroid known.',
  'hearing-loss': 'Usual practice: seen rather than heard; nothing barred.',
  'caesarean-early':
    'Usual surgical advice: no load on the belly wall for six to twelve weeks, rolled to the side to get up.',
  'parted-belly-wall': 'POGP: no doming; breathe out with effort, no long levers.',
  'pelvic-girdle-pain': 'POGP: knees together, small steps, no one-leg load that hurts.',
  'pregnancy-watched':
    'SOGC and CSEP 2019: a doctor first; for most of these no exercise beyond daily life unless they say so.',
  'leg-lymphoedema': 'Campbell 2019: as of an arm, with stockings; no long standing still.',
  stoma: 'Usual stoma care: no straining, light loads that grow slowly, breathe out with effort.',
  'low-platelets-or-line':
    'Campbell 2019: a doctor first; platelets below 50: nothing that knocks or strains; a line: no arm overhead against load.',
  'low-energy':
    'IOC 2018 and 2023 (RED-S): a doctor first; no weight talk, no extra effort, strength rather than burn.',
};
