/**
 * What a coach goes to from a move, first things first: easier forms as trades name them, then what does the same work
 * another way. They count as near whatever their ladders and muscles say. Common practice.
 */
const PAIRS: Readonly<Record<string, string>> = {
  // pushes
  'push-up':
    'knee-push-up raised-push-up all-fours-push-up narrow-knee-push-up fist-push-up wall-push-up band-press one-arm-band-press floor-press',
  'wide-push-up': 'push-up knee-push-up raised-push-up wall-push-up band-press',
  'narrow-push-up':
    'narrow-knee-push-up narrow-raised-push-up push-up narrow-wall-push knee-push-up band-press-down',
  'archer-push-up': 'wide-push-up push-up knee-push-up raised-push-up',
  'feet-raised-push-up': 'push-up knee-push-up raised-push-up',
  'push-up-turn': 'push-up knee-push-up raised-push-up shoulder-tap',
  'pike-press': 'raised-pike-press standing-press wall-pike-press seated-press',
  'chair-dip-straight': 'chair-dip-bent narrow-raised-push-up narrow-knee-push-up band-press-down',
  'chair-dip-bent': 'narrow-raised-push-up narrow-knee-push-up band-press-down narrow-wall-push kick-back',
  'standing-press':
    'seated-press slow-press one-arm-press half-kneeling-press side-raise slow-side-raise seated-arm-press seated-arm-raise',
  'floor-press': 'one-arm-floor-press raised-push-up knee-push-up band-press wall-push-up',
  thruster: 'squat-press squat sit-to-stand standing-press',
  'squat-press': 'squat sit-to-stand standing-press hug-sit-to-stand',
  'push-press': 'standing-press slow-press seated-press',
  // pulls
  'bent-row':
    'one-arm-row bag-row standing-row seated-row strap-row prone-arm-pull band-pull-apart rear-raise',
  'one-arm-row': 'bag-row bent-row standing-row seated-row prone-arm-pull',
  'renegade-row': 'one-arm-row bag-row bent-row standing-row seated-row',
  'inverted-row': 'inverted-row-bent strap-row bent-row standing-row seated-row',
  'strap-row': 'standing-row bent-row seated-row one-arm-row bag-row',
  'pull-up': 'foot-help-pull-up pull-up-lower band-pull-down inverted-row-bent strap-row straight-arm-pull',
  'standing-curl': 'slow-curl hammer-curl seated-curl towel-curl hold-and-curl band-pull-apart',
  // squats and hinges
  squat: 'touch-squat sit-to-stand quarter-pulse-squat half-squat-held hands-help-stand wide-half-squat',
  'held-load-squat': 'squat touch-squat sit-to-stand hug-sit-to-stand half-squat-held hands-help-stand',
  'wide-squat': 'wide-touch-squat wide-half-squat squat sit-to-stand half-squat-held',
  'pause-squat': 'squat touch-squat sit-to-stand',
  'one-leg-squat': 'one-leg-sit-to-stand one-leg-lower-to-seat staggered-sit-to-stand split-squat squat',
  'wall-sit': 'wall-sit-high squat-hold-heels half-squat-held sit-to-stand',
  'loaded-hinge':
    'stick-hinge slow-hinge-reach split-hinge wall-hinge hinge-arm-swing bridge seated-hinge small-bridge',
  'one-leg-hinge-load': 'one-leg-hinge-held split-hinge stick-hinge loaded-hinge wall-hinge',
  'one-leg-hinge': 'one-leg-hinge-held split-hinge stick-hinge wall-hinge seated-hinge',
  swing: 'hinge-arm-swing loaded-hinge stick-hinge slow-hinge-reach dead-stop-swing wall-hinge seated-hinge',
  bridge: 'small-bridge pelvic-tilt pause-bridge standing-leg-back wall-hinge seated-seat-squeeze',
  'single-leg-bridge': 'bridge-march bridge small-bridge standing-leg-back',
  'hip-thrust': 'bridge pause-bridge small-bridge wall-hinge',
  // lunges and steps
  lunge: 'split-squat split-squat-half split-squat-held shallow-step-back step-up sit-to-stand',
  'step-back-lunge':
    'split-squat split-squat-half split-squat-held shallow-step-back step-up staggered-sit-to-stand',
  'walking-lunge':
    'walking-half-lunge step-back-lunge split-squat split-squat-half split-squat-held shallow-step-back long-step-walk',
  'curtsy-lunge': 'step-back-lunge split-squat split-squat-held side-tap standing-side-leg-held',
  'side-lunge': 'side-step-bend wide-half-squat side-tap wide-touch-squat standing-side-leg-held',
  'rear-foot-raised-squat': 'split-squat split-squat-half split-squat-held step-back-lunge',
  'switch-jump-lunge': 'step-back-lunge split-squat walking-lunge split-squat-held shallow-step-back',
  'step-up': 'step-tap side-step-tap high-march march sit-to-stand',
  'high-step-up': 'step-up step-tap high-march',
  'step-up-load': 'step-up step-tap high-march',
  // jumps and runs
  'squat-jump': 'squat-rise quick-squat-rise squat touch-squat sit-to-stand half-squat-held',
  'tuck-jump': 'squat-jump high-knees high-march march squat-rise seated-march',
  'jumping-jack': 'step-jack step-jack-low side-tap side-touch-arms side-touch seated-jack',
  'star-jump': 'jumping-jack step-jack squat-rise step-jack-low seated-jack',
  'squat-jack': 'step-jack wide-squat step-jack-low wide-half-squat side-tap',
  'seal-jack': 'jumping-jack step-jack step-jack-low seated-jack',
  'box-jump': 'low-box-jump step-up squat-jump squat-rise step-tap',
  'broad-jump': 'small-forward-hop squat-jump squat-rise squat',
  'frog-jump': 'squat-jump squat-rise squat touch-squat',
  'skater-hop': 'low-skater-step side-shuffle line-step side-tap side-touch side-shift',
  'skater-bound': 'skater-hop low-skater-step line-step side-touch',
  'high-knees': 'high-march quick-high-step march jog-on-spot seated-quick-march seated-march',
  'jog-on-spot': 'march quick-high-step high-march easy-walk seated-march',
  'jog-heel-kick': 'leg-curl-step jog-on-spot march seated-heel-drag',
  'sprint-on-spot': 'high-knees jog-on-spot quick-high-step high-march march seated-quick-march',
  'rope-skip': 'rope-slow ghost-rope ghost-rope-step jog-on-spot march seated-rope-turn',
  'shuttle-run': 'shuttle-jog shuttle-brisk shuttle-walk jog-on-spot march',
  // getting down and up
  burpee: 'half-burpee floor-step-back chair-step-back wall-step-back',
  'burpee-push-up': 'burpee half-burpee floor-step-back chair-step-back',
  'half-burpee': 'floor-step-back chair-step-back wall-step-back',
  sprawl: 'floor-step-back half-burpee chair-step-back wall-step-back',
  'walk-out': 'walk-out-bent raised-walk-out chair-step-back wall-step-back',
  'climber-run': 'climber-step raised-climber standing-climb high-march wall-climber march seated-march',
  'climber-cross': 'climber-step raised-climber standing-cross-knee wall-climber seated-cross-knee',
  'bear-crawl': 'bear-step all-fours-step knee-hover bird-dog raised-climber',
  // trunk
  plank:
    'knee-plank forearm-plank raised-plank knee-forearm-plank raised-forearm-plank wall-plank wall-forearm-plank',
  'forearm-plank': 'knee-forearm-plank raised-forearm-plank plank knee-plank wall-forearm-plank',
  'shoulder-tap': 'shoulder-tap-knees shoulder-tap-raised plank knee-plank shoulder-tap-wall',
  'plank-jack': 'plank climber-step step-jack knee-plank raised-plank',
  'up-down': 'up-down-knees up-down-raised plank knee-plank up-down-wall',
  'side-plank': 'knee-side-plank raised-side-plank wall-side-lean side-lying-leg',
  'sit-up':
    'crunch sit-up-feet-held seated-lean-back crunch-slide crossed-arm-seated-curl seated-knee-tuck standing-knee-crunch',
  crunch: 'crunch-slide pelvic-tilt dead-bug seated-lean-back standing-knee-crunch seated-knee-tuck',
  bicycle:
    'single-leg-bicycle heel-tap dead-bug crunch standing-cross-knee seated-cross-knee single-leg-bicycle-seated',
  'floor-turn': 'seated-turn standing-turn dead-bug crunch',
  'floor-turn-feet-up': 'floor-turn seated-turn standing-turn',
  'double-leg-lower':
    'single-leg-lower double-leg-lower-small heel-tap dead-bug bent-knee-fall-out seated-knee-tuck',
  'flutter-kick': 'scissor-kick single-leg-lower heel-tap seated-flutter',
  'dead-bug':
    'heel-tap heel-slide pelvic-tilt bent-knee-fall-out standing-opposite-reach seated-opposite-reach',
  'bird-dog':
    'leg-only-all-fours arm-only-all-fours all-fours-step forearm-bird-dog standing-opposite-reach seated-opposite-reach',
  'v-sit-hold': 'boat-hold seated-lean-back-hold seated-lean-back',
  'hollow-hold': 'dead-bug heel-tap boat-hold seated-lean-back-hold pelvic-tilt',
  'prone-both-lift': 'prone-opposite-lift prone-arm-lift prone-leg-lift bird-dog standing-leg-back',
  'reverse-curl': 'pelvic-tilt double-knee-tuck seated-knee-tuck crunch',
  'heel-raise': 'heel-raise-held seated-heel-raise',
  'donkey-kick': 'standing-leg-back bird-dog bridge leg-only-all-fours',
  'fire-hydrant': 'standing-side-leg-held clam side-lying-leg side-leg-free',
};

export const USUAL_PAIRS: ReadonlyMap<string, readonly string[]> = new Map(
  Object.entries(PAIRS).map(([move, to]) => [move, to.split(' ')]),
);
