import { type Floor, type Place, type Room, box, door, room, wall, windows } from './building.ts';

/** The upper floor stands over the rooms east of the bay, in the same feet as the ground floor. */
export const UPPER_FLOOR: Floor = {
  walls: [
    wall('up-north', 'W3', [62, 0], [124, 0]),
    wall('up-east', 'W3', [124, 0], [124, 56]),
    wall('up-south', 'W3', [124, 56], [62, 56]),
    wall('up-west', 'W3', [62, 56], [62, 0]),
    wall('office', 'P2', [100, 0], [100, 56]),
    wall('kitchen', 'P1', [100, 24], [124, 24]),
    wall('landing', 'P1', [100, 40], [124, 40]),
  ],
  doors: [
    door('201A', 'up-south', 42, 'pair', -1, 'To the terrace, weather seal'),
    door('201B', 'office', 48, 'single', -1, 'Closer'),
    door('202A', 'office', 18, 'single', 1),
    door('203A', 'office', 32, 'single', 1),
    door('204A', 'landing', 18, 'single', -1, 'Closer', '45 min'),
  ],
  windows: [
    ...windows('W1', 'up-north', 6, 4, 3, 10, 24),
    ...windows('W2', 'up-north', 4, 4, 3, 46, 56),
    ...windows('W2', 'up-east', 4, 4, 3, 12, 32, 48),
    ...windows('W1', 'up-west', 6, 4, 3, 12, 28, 44),
  ],
};

export const TERRACE: readonly Place[] = box(62, 56, 124, 82);

const FINISH = ['Oak strip', 'Wood', 'Board, painted', 'Board, 9 ft'] as const;

export const UPPER_ROOMS: readonly Room[] = [
  room('201', 'CLUB ROOM', box(62, 0, 100, 56), [80, 26], FINISH),
  room(
    '202',
    'OFFICE',
    box(100, 0, 124, 24),
    [112, 12],
    ['Carpet', 'Rubber', 'Board, painted', 'Board, 9 ft'],
  ),
  room(
    '203',
    'KITCHEN',
    box(100, 24, 124, 40),
    [111, 33],
    ['Ceramic tile', 'Tile', 'Board MR, painted', 'Board MR'],
  ),
  room('204', 'LANDING', box(100, 40, 124, 56), [107, 45], FINISH),
];

/** The stair opening in the upper floor. */
export const STAIR: readonly Place[] = box(108, 47, 121, 54);
