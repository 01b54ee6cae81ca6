import { describe, expect, it } from '@jest/globals';
import { point } from '@zest/core/geometry/point';
import { type DrawEvent, type DrawState, type DrawnKind, EMPTY_DRAFT } from './draw.ts';
import { onDrawKey } from './drawKeys.ts';

const begun: DrawState = { ...EMPTY_DRAFT, strokes: [[point(0, 0)]] };
/** What a key says to the pen; undefined where the pen has no use for it. */
function says(key: string, draft: DrawState = begun, kind: DrawnKind = 'run'): DrawEvent | undefined {
  const events: DrawEvent[] = [];
  const taken = onDrawKey({ key } as KeyboardEvent, draft, kind, (event) => events.push(event));
  expect(taken).toBe(events.length > 0);
  return events[0];
}

describe('keys while a pen draws', () => {
  it.each<[string, DrawEvent]>([
    ['Enter', { type: 'complete' }],
    ['Escape', { type: 'cancel' }],
    ['Backspace', { type: 'back' }],
    ['.', { type: 'lift' }],
    ['7', { type: 'type', character: '7' }],
    ['+', { type: 'type', character: '+' }],
    ['k', { type: 'form', form: 'arc' }],
    ['G', { type: 'form', form: 'route' }],
  ])('%s', (key, event) => expect(says(key)).toEqual(event));

  it('belong to what is being typed once it has begun: units, signs, an angle', () => {
    const typing = { ...begun, typed: '12' };
    for (const key of ['.', "'", ' ', 'f', 't', '@', '-', 'k'])
      expect(says(key, typing)).toEqual({ type: 'type', character: key });
  });

  it('lead back to straight pieces when a form is pressed again', () => {
    expect(says('k', { ...begun, form: 'arc' })).toEqual({ type: 'form', form: 'line' });
  });

  it('offer a kind only its own forms', () => {
    expect(says('g', begun, 'area')).toBeUndefined();
    expect(says('q', begun, 'run')).toBeUndefined();
    expect(says('e', begun, 'slope')).toEqual({ type: 'form', form: 'box' });
  });

  it('stay free before a point is placed: digits zoom, letters choose pens', () => {
    expect(says('0', EMPTY_DRAFT)).toBeUndefined();
    expect(says('+', EMPTY_DRAFT)).toBeUndefined();
    expect(says('a', EMPTY_DRAFT)).toBeUndefined();
  });
});
