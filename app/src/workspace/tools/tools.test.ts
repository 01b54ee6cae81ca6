import { describe, expect, it } from '@jest/globals';
import { type Point, distance, point } from '@zest/core/geometry/point';
import { pathArea } from '@zest/core/geometry/path';
import type { Mark } from '@zest/core/job/records/mark';
import {
  type DrawContext,
  type DrawEvent,
  type DrawState,
  EMPTY_DRAFT,
  type Form,
  drawPen,
  placeTypedAt,
} from './draw.ts';
import { findHandle, handlesOf, moveHandle, moveStrokes, removeVertex } from './edit.ts';
import { createHitIndex } from './hitIndex.ts';
import { NO_POINTS, pickTwo } from './measureTwo.ts';

const context = (kind: 'run' | 'area'): DrawContext => ({
  kind,
  nearPt: 6,
  twicePt: 2,
  readTyped: (text, from, toward) => {
    if (text.startsWith('+')) return { is: 'rise', riseM: Number(text.slice(1)) };
    const [length, angle] = text.split('@');
    if (!/^\d+$/.test(length ?? '')) return undefined;
    const at = placeTypedAt(
      from,
      toward,
      Number(length) * 9,
      angle === undefined ? undefined : Number(angle),
    );
    return { is: 'point', at };
  },
});

/** Plays events on the pen; time passes between clicks unless told otherwise. */
function play(kind: 'run' | 'area', ...events: readonly DrawEvent[]) {
  let state: DrawState = EMPTY_DRAFT;
  const effects = events.flatMap((event) => {
    const step = drawPen(state, event, context(kind));
    state = step.state;
    return step.effects;
  });
  return { state, effects };
}
let clock = 0;
const click = (x: number, y: number, square = false, afterMs = 1000): DrawEvent => {
  clock += afterMs;
  return { type: 'click', at: point(x, y), square, timeMs: clock };
};
const type = (text: string): DrawEvent[] => [...text].map((character) => ({ type: 'type', character }));
const done: DrawEvent = { type: 'complete' };

describe('the pen', () => {
  it('commits the points it was given, and starts anew', () => {
    const { state, effects } = play('run', click(0, 0), click(100, 0), click(100, 50), done);
    expect(effects).toEqual([{ type: 'commit', strokes: [[point(0, 0), point(100, 0), point(100, 50)]] }]);
    expect(state.strokes).toEqual([]);
  });

  it('keeps right angles to the segment before while Shift is held', () => {
    const { state } = play('run', click(0, 0), click(100, 100), click(90, 160, true));
    const [a, b, c] = state.strokes[0] as [Point, Point, Point];
    expect((b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y)).toBeCloseTo(0, 9);
  });

  it('draws an arc over a middle point; Backspace takes the middle back first', () => {
    const arc: DrawEvent = { type: 'form', form: 'arc' };
    const { effects } = play('run', click(0, 0), arc, click(50, -20), click(100, 0), done);
    expect(effects).toEqual([
      { type: 'commit', strokes: [[point(0, 0), { x: 100, y: 0, through: point(50, -20) }]] },
    ]);
    const { state } = play('run', click(0, 0), arc, click(50, -20), { type: 'back' });
    expect([state.bend, state.strokes]).toEqual([undefined, [[point(0, 0)]]]);
  });

  it('is straight again after an arc: one piece was asked for', () => {
    const arc: DrawEvent = { type: 'form', form: 'arc' };
    const { state } = play('run', click(0, 0), arc, click(50, -20), click(100, 0), click(100, 80));
    expect(state.strokes).toEqual([[point(0, 0), { x: 100, y: 0, through: point(50, -20) }, point(100, 80)]]);
    expect(state.form).toBe('line');
  });

  it('takes a quick second click a few points away as a point, and one in the same place as the same', () => {
    const { state } = play(
      'run',
      click(0, 0),
      click(50, 0),
      click(55, 0, false, 120),
      click(56, 0, false, 120),
    );
    expect(state.strokes).toEqual([[point(0, 0), point(50, 0), point(55, 0)]]);
  });

  it('routes at right angles between two clicks, on in the direction it came', () => {
    const { state } = play(
      'run',
      click(0, 0),
      { type: 'form', form: 'route' },
      click(90, 30),
      click(120, 200),
    );
    expect(state.strokes).toEqual([
      [point(0, 0), point(90, 0), point(90, 30), point(90, 200), point(120, 200)],
    ]);
  });

  it.each<[Form, readonly DrawEvent[], number]>([
    ['box', [click(0, 0), click(80, 50)], 4000],
    ['slant', [click(0, 0), click(30, 40), click(-8, 6)], 500],
    ['circle', [click(50, 50), click(80, 50)], Math.PI * 900],
  ])('draws a whole ring as a %s and ends it with its last click', (form, clicks, area) => {
    const { effects, state } = play('area', { type: 'form', form }, ...clicks);
    const [effect] = effects;
    if (effect?.type !== 'commit') throw new Error('nothing was committed');
    expect(Math.abs(pathArea(effect.strokes[0] ?? []))).toBeCloseTo(area, 6);
    expect([state.strokes, state.form]).toEqual([[], form]);
  });

  it('closes an area with an arc on its first corner', () => {
    const { effects } = play(
      'area',
      click(0, 0),
      click(60, 0),
      click(60, 60),
      { type: 'form', form: 'arc' },
      click(10, 50),
      click(0, 0),
    );
    expect(effects).toEqual([
      {
        type: 'commit',
        strokes: [[{ x: 0, y: 0, through: point(10, 50) }, point(60, 0), point(60, 60)]],
      },
    ]);
  });

  it('takes a rise at the last point, and a length at an angle up from level', () => {
    const { state } = play('run', click(0, 0), click(90, 0), ...type('+8'), done, ...type('10@90'), done);
    const [stroke = []] = state.strokes;
    expect(stroke[1]).toEqual({ x: 90, y: 0, riseM: 8 });
    expect(stroke[2]?.x).toBeCloseTo(90, 9);
    expect(stroke[2]?.y).toBeCloseTo(-90, 9);
  });

  it('goes on elsewhere in the same mark when lifted', () => {
    const { effects } = play(
      'run',
      click(0, 0),
      click(50, 0),
      { type: 'lift' },
      click(200, 0),
      click(260, 0),
      done,
    );
    expect(effects).toEqual([
      {
        type: 'commit',
        strokes: [
          [point(0, 0), point(50, 0)],
          [point(200, 0), point(260, 0)],
        ],
      },
    ]);
  });

  it('places a typed length toward the pointer', () => {
    const { state } = play(
      'run',
      click(0, 0),
      { type: 'move', at: point(30, 40), square: false },
      ...type('10'),
      done,
    );
    expect(distance(point(0, 0), state.strokes[0]![1]!)).toBeCloseTo(90, 9);
    expect(state.typed).toBe('');
  });

  it('keeps a typed length it cannot read, and says so', () => {
    const { state, effects } = play(
      'run',
      click(0, 0),
      { type: 'move', at: point(9, 0), square: false },
      ...type('1x'),
      done,
    );
    expect(effects).toEqual([{ type: 'refuse', reason: 'length-not-read' }]);
    expect(state.typed).toBe('1x');
  });

  it('takes back characters, then points, then the stroke', () => {
    const back: DrawEvent = { type: 'back' };
    expect(play('run', click(0, 0), click(9, 0), ...type('1'), back).state.strokes[0]).toHaveLength(2);
    expect(play('run', click(0, 0), click(9, 0), back).state.strokes[0]).toHaveLength(1);
    expect(play('run', click(0, 0), back).state.strokes).toEqual([]);
    expect(play('run', back).state.strokes).toEqual([]);
  });

  it('neither adds nor ends anything by a stray double-click', () => {
    const { state, effects } = play('run', click(0, 0), click(100, 0), click(101, 0, false, 120));
    expect(state.strokes[0]).toHaveLength(2);
    expect(effects).toEqual([]);
  });

  it('takes a click after a lift as meant, also where the last one was a moment ago', () => {
    const { state } = play(
      'run',
      click(0, 0),
      click(100, 0),
      { type: 'lift' },
      click(100, 0, false, 120),
      click(100, 50),
    );
    expect(state.strokes).toHaveLength(2);
    expect(state.strokes[1]).toEqual([point(100, 0), point(100, 50)]);
  });

  it('closes an area on its first point, and refuses one of two points', () => {
    expect(play('area', click(0, 0), click(90, 0), click(90, 90), click(2, 2)).effects).toEqual([
      { type: 'commit', strokes: [[point(0, 0), point(90, 0), point(90, 90)]] },
    ]);
    expect(play('area', click(0, 0), click(90, 0), done).effects).toEqual([
      { type: 'refuse', reason: 'too-few-points' },
    ]);
  });

  it.each([
    ['cancel', [{ type: 'leave' }]],
    ['interrupt', []],
  ] as const)('loses nothing that is drawn on %s', (event, then) => {
    const { effects } = play('run', click(0, 0), click(100, 0), { type: event });
    expect(effects).toEqual([{ type: 'commit', strokes: [[point(0, 0), point(100, 0)]] }, ...then]);
    expect(play('run', click(0, 0), { type: event }).effects).toEqual(then);
  });
});

const mark = (id: string, kind: Mark['kind'], ...strokes: Point[][]): Mark => ({
  type: 'mark',
  id: `mark:${id}`,
  scopeId: 'scope:a',
  sheetId: 'sheet:a',
  kind,
  strokes,
});

describe('editing marks', () => {
  const run = mark('run', 'run', [point(0, 0), point(100, 0), point(100, 100)]);

  it('offers every vertex, and the middles where there is room', () => {
    expect(handlesOf(run, 50).map(({ middle }) => middle)).toEqual([false, false, false, true, true]);
    expect(handlesOf(run, 500).every(({ middle }) => !middle)).toBe(true);
    expect(
      handlesOf(mark('area', 'area', [point(0, 0), point(90, 0), point(90, 90)]), 10).filter(
        ({ middle }) => middle,
      ),
    ).toHaveLength(3);
  });

  it('moves a vertex, and puts one in where a middle is pulled', () => {
    const handles = handlesOf(run, 10);
    expect(moveHandle(run.strokes, findHandle(handles, point(99, 1), 6)!, point(120, 5))[0]).toEqual([
      point(0, 0),
      point(120, 5),
      point(100, 100),
    ]);
    expect(moveHandle(run.strokes, findHandle(handles, point(50, 0), 6)!, point(50, 20))[0]).toEqual([
      point(0, 0),
      point(50, 20),
      point(100, 0),
      point(100, 100),
    ]);
  });

  it('takes a vertex out, and says when too little would be left', () => {
    const [first] = handlesOf(run, 500);
    expect(removeVertex(run, first!)?.[0]).toHaveLength(2);
    expect(
      removeVertex(mark('short', 'run', [point(0, 0), point(9, 0)]), { ...first!, markId: 'mark:short' }),
    ).toBeUndefined();
  });

  it('moves all strokes of a mark alike', () => {
    expect(moveStrokes(run.strokes, point(5, -5))[0]?.[2]).toEqual(point(105, 95));
  });
});

describe('finding what is under the pointer', () => {
  const floor = mark('floor', 'area', [point(0, 0), point(200, 0), point(200, 200), point(0, 200)]);
  const wall = mark('wall', 'run', [point(50, 50), point(150, 50)]);
  const door = mark('door', 'count', [point(100, 50)]);
  const hits = createHitIndex();
  hits.set([floor, wall, door]);
  const all = (): boolean => true;

  it('takes points before runs before areas', () => {
    expect(hits.find(point(101, 51), 6, all)?.id).toBe('mark:door');
    expect(hits.find(point(60, 53), 6, all)?.id).toBe('mark:wall');
    expect(hits.find(point(60, 90), 6, all)?.id).toBe('mark:floor');
    expect(hits.find(point(400, 90), 6, all)).toBeUndefined();
  });

  it('passes over what is hidden, and forgets what is gone', () => {
    expect(hits.find(point(101, 51), 6, ({ kind }) => kind !== 'count')?.id).toBe('mark:wall');
    hits.remove('mark:wall');
    expect(hits.find(point(60, 53), 6, all)?.id).toBe('mark:floor');
    hits.put({ ...wall, strokes: [[point(50, 120), point(150, 120)]] });
    expect(hits.find(point(60, 121), 6, all)?.id).toBe('mark:wall');
  });
});

describe('picking two points', () => {
  it('squares the second on request, and can be taken back', () => {
    const one = pickTwo(NO_POINTS, { type: 'click', at: point(0, 0), square: false });
    const two = pickTwo(one, { type: 'click', at: point(100, 7), square: true });
    expect(two.b).toEqual(point(100, 0));
    expect(pickTwo(two, { type: 'back' }).b).toBeUndefined();
    expect(pickTwo(two, { type: 'cancel' })).toEqual(NO_POINTS);
  });
});

describe('what lies under the pointer', () => {
  const markOf = (id: string, kind: Mark['kind'], strokes: Mark['strokes']): Mark => ({
    type: 'mark',
    id: `mark:${id}`,
    scopeId: 'scope:a',
    sheetId: 'sheet:a',
    kind,
    strokes,
  });
  const square = (x: number, y: number, size: number) => [
    point(x, y),
    point(x + size, y),
    point(x + size, y + size),
    point(x, y + size),
  ];
  const all = (): boolean => true;

  it('is the smaller of two areas over each other, and none in the hole of one', () => {
    const hits = createHitIndex();
    const large = markOf('large', 'area', [square(0, 0, 200), square(120, 120, 40)]);
    const small = markOf('small', 'area', [square(20, 20, 40)]);
    hits.set([small, large]);
    expect(hits.find(point(40, 40), 4, all)?.id).toBe('mark:small');
    expect(hits.find(point(100, 40), 4, all)?.id).toBe('mark:large');
    expect(hits.find(point(140, 140), 4, all)).toBeUndefined();
  });

  it('is nothing in the gap between two strokes of one run', () => {
    const hits = createHitIndex();
    hits.set([
      markOf('two', 'run', [
        [point(0, 0), point(100, 0)],
        [point(100, 80), point(0, 80)],
      ]),
    ]);
    expect(hits.find(point(50, 2), 4, all)?.id).toBe('mark:two');
    expect(hits.find(point(50, 78), 4, all)?.id).toBe('mark:two');
    expect(hits.find(point(100, 40), 4, all)).toBeUndefined();
    expect(hits.segmentsNear(point(100, 40), 10)).toEqual([]);
  });

  it('follows an arc, not its chord', () => {
    const hits = createHitIndex();
    hits.put(markOf('bow', 'run', [[point(0, 0), { x: 100, y: 0, through: point(50, -50) }]]));
    expect(hits.find(point(50, -49), 3, all)?.id).toBe('mark:bow');
    expect(hits.find(point(50, -2), 3, all)).toBeUndefined();
  });

  it('gives the pieces of marks near a place to be snapped to, closed where areas close', () => {
    const hits = createHitIndex();
    hits.set([markOf('area', 'area', [square(0, 0, 100)]), markOf('dot', 'count', [[point(1, 50)]])]);
    expect(hits.segmentsNear(point(1, 50), 5)).toEqual([[point(0, 100), point(0, 0)]]);
    expect(hits.segmentsNear(point(50, 50), 5)).toEqual([]);
  });
});
