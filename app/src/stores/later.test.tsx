/** @jest-environment jsdom */
import { afterEach, describe, expect, it } from '@jest/globals';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { type Root, createRoot } from 'react-dom/client';
import { createStore } from 'zustand/vanilla';
import { type Stores, Later, StoresProvider, useCatchUp, useOpenJob } from './context.tsx';
import type { JobState, JobStore, OpenJob } from './jobStore.ts';

const openAt = (jobId: string): OpenJob => ({ jobId }) as unknown as OpenJob;

function Shown({ as }: { readonly as: string }) {
  return <p data-testid={as}>{useOpenJob().jobId}</p>;
}

/** A switch that shows its job, as React holds it. */
function Switch({ onChange }: { readonly onChange: () => void }) {
  const { jobId } = useOpenJob();
  return <input type="checkbox" checked={jobId === 'two'} onChange={onChange} />;
}

function DropPlace({ onDrop }: { readonly onDrop: () => void }) {
  const catchUp = useCatchUp();
  const [, setDropped] = useState(0);
  return (
    <button
      type="button"
      onMouseUp={() => {
        setDropped((count) => count + 1);
        onDrop();
        catchUp();
      }}
    />
  );
}

let root: Root | undefined;
let host: HTMLElement;

function start(): { readonly change: (jobId: string) => void; readonly read: (as: string) => string } {
  const jobs = createStore<JobState>(
    () => ({ open: openAt('one'), revision: 0 }) as unknown as JobState,
  ) as unknown as JobStore;
  const change = (jobId: string): void => jobs.setState({ open: openAt(jobId) });
  host = document.body.appendChild(document.createElement('div'));
  root = createRoot(host);
  const inside = (
    <>
      <Shown as="later" />
      <Switch onChange={() => change('two')} />
      <DropPlace onDrop={() => change('two')} />
    </>
  );
  flushSync(() =>
    root?.render(
      <StoresProvider value={{ jobs } as unknown as Stores}>
        <Shown as="now" />
        <Later>{inside}</Later>
      </StoresProvider>,
    ),
  );
  const read = (as: string): string => host.querySelector(`[data-testid=${as}]`)?.textContent ?? '';
  return { change, read };
}

afterEach(() => {
  flushSync(() => root?.unmount());
  host.remove();
});

const nextTask = (): Promise<void> => Promise.resolve();

describe('what follows the job a moment later', () => {
  it('is drawn after what is urgent, and by itself', async () => {
    const { change, read } = start();
    change('two');
    await nextTask();
    expect([read('now'), read('later')]).toEqual(['two', 'one']);
    await new Promise<void>((resolve) => {
      new MutationObserver(() => resolve()).observe(host, { subtree: true, characterData: true });
    });
    expect(read('later')).toBe('two');
  });

  it.each(['keydown', 'pointerdown', 'click'])('catches up before a %s is heard', async (deed) => {
    const { change, read } = start();
    change('two');
    await nextTask();
    let heard = '';
    host.addEventListener(deed, () => {
      heard = read('later');
    });
    host.dispatchEvent(new Event(deed, { bubbles: true }));
    expect(heard).toBe('two');
  });

  it('never shows a switch going back to what it was', () => {
    start();
    const box = host.querySelector<HTMLInputElement>('input');
    box?.click();
    expect(box?.checked).toBe(true);
  });

  it('is drawn at once where something was let go of by hand', () => {
    const { read } = start();
    host.querySelector('button')?.dispatchEvent(new MouseEvent('mouseup', { bubbles: true }));
    expect(read('later')).toBe('two');
  });
});
