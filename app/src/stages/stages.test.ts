/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { createStore } from 'zustand/vanilla';
import { listActions } from '../actions/listActions.ts';
import { withKey } from '../actions/keys.ts';
import type { Stores } from '../stores/context.tsx';
import { STAGES } from './stages.ts';

function listAll() {
  const transact = jest.fn();
  const jobs = Object.assign(
    createStore(() => ({ open: undefined })),
    { actions: { transact } },
  );
  const view = createStore(() => ({ theme: 'light', tool: 'select', finderOpen: false }));
  const goTo = jest.fn<(page: string) => void>();
  const stores = { jobs, view, services: {} } as unknown as Stores;
  return { actions: listActions(STAGES, { stores, goTo, leaveTo: goTo }), goTo, view };
}

describe('the stages of a job', () => {
  it('have pages at addresses of their own, the first of which is that of the stage', () => {
    const paths = STAGES.flatMap(({ pages }) => pages.map(({ path }) => path));
    expect(new Set(paths).size).toBe(paths.length);
    for (const { path, pages } of STAGES) expect(pages[0]?.path).toBe(path);
  });

  it('are in the list of actions with all their pages, the working stages by number', () => {
    const { actions, goTo } = listAll();
    const keys = new Map(actions.map((action) => [action.id, withKey(action, {}).key]));
    expect(['sheets', 'measure', 'estimate', 'bid'].map((path) => keys.get(`go-${path}`))).toEqual([
      'Alt+1',
      'Alt+2',
      'Alt+5',
      'Alt+6',
    ]);
    expect(keys.has('go-quotes')).toBe(true);
    actions.find(({ id }) => id === 'go-quotes')?.run();
    expect(goTo).toHaveBeenCalledWith('quotes');
  });
});

describe('the list of actions', () => {
  it('has no two with one id, or with one key', () => {
    const { actions } = listAll();
    const ids = actions.map(({ id }) => id);
    const keys = actions.flatMap(({ key }) => key ?? []);
    expect([new Set(ids).size, new Set(keys).size]).toEqual([ids.length, keys.length]);
  });

  it('says what to do first where there is no sheet on the desk', () => {
    const { actions } = listAll();
    const hindered = actions.filter(({ when }) => when?.() !== undefined).map(({ id }) => id);
    expect(hindered).toContain('marks-dxf');
    expect(hindered).toContain('legend');
    expect(actions.find(({ id }) => id === 'legend')?.when?.()).toMatch(/sheet/);
  });

  it('has each entry of the menu of the sheet', () => {
    const { actions, view } = listAll();
    const inMenu = actions.filter(({ inMenu: place }) => place?.menu === 'sheet').map(({ id }) => id);
    expect(inMenu).toHaveLength(9);
    actions.find(({ id }) => id === 'tool-schedule')?.run();
    expect(view.getState().tool).toBe('schedule');
  });
});
