import type { Room } from '@inner-rung/core/room';

export const ROOMS: readonly Room[] = [
  {
    version: 1,
    id: 'tannery-lane-hall',
    name: 'Tannery Lane Hall',
    items: [
      { what: 'wall', count: 20 },
      { what: 'chair', count: 24 },
      { what: 'bench', count: 2 },
      { what: 'step-block', count: 6 },
      { what: 'wall-bar', count: 4 },
      { what: 'mat', count: 14 },
      { what: 'dumbbells', count: 8 },
      { what: 'band', count: 6 },
    ],
    clearMetres: 12,
    ceilingCm: 420,
    quiet: false,
  },
  {
    version: 1,
    id: 'a-front-room',
    name: 'A front room, people below',
    items: [
      { what: 'wall', count: 1 },
      { what: 'chair', count: 2 },
      { what: 'sofa', count: 1 },
      { what: 'cushion', count: 3 },
      { what: 'mat', count: 1 },
      { what: 'bottles', count: 4 },
      { what: 'towel-door', count: 1 },
    ],
    clearMetres: 2.2,
    ceilingCm: 245,
    quiet: true,
  },
];
