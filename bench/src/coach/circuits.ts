/** Circuits as trainers write them, with the level they are written for. Made up. */
export const CIRCUITS: readonly {
  readonly name: string;
  readonly writtenFor: 0 | 1 | 2 | 3;
  readonly text: string;
}[] = [
  {
    name: 'hall, forty-twenty',
    writtenFor: 2,
    text: '40/20 x 3\nsquats\npress-ups\nreverse lunges\nplank\nmountain climbers\nstar jumps\nglute bridges\nsit-ups',
  },
  {
    name: 'weights in a hall',
    writtenFor: 2,
    text: '45 on 15 off, 3 rounds\ngoblet squat @ 12 kg\nbent over row @ 8 kg\nshoulder press @ 8 kg\nRomanian deadlift @ 16 kg\npress-ups\nbicep curls @ 6 kg',
  },
  {
    name: 'jumps and runs',
    writtenFor: 3,
    text: '30/15 x 4\nsquat jumps\nburpees\ntuck jumps\nhigh knees\nskater jumps\nmountain climbers',
  },
  {
    name: 'as many rounds as you can',
    writtenFor: 2,
    text: 'AMRAP 12\n10 press-ups\n15 squats\n20 walking lunges\n10 sit-ups',
  },
  {
    name: 'floor and core',
    writtenFor: 2,
    text: '40/20 x 2\nplank\nside plank\ncrunches\ndead bug\nbird dog\nbicycle crunches\nglute bridge',
  },
  {
    name: 'gentle, standing',
    writtenFor: 1,
    text: '30/30 x 2\nsit to stand\nheel raises\nside steps\nwall press-ups\nmarching\nstep-ups',
  },
];
