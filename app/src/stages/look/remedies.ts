import type { Doubt, DoubtAbout, DoubtRule } from '@zest/core/doubts/doubt';
import { type Command, remove, update } from '@zest/core/job/change';
import { changeLines } from '@zest/core/job/commands/changeLines';
import { confirmQuantities } from '@zest/core/job/commands/confirm';
import { removeAlternate, removeMarks, removeScope } from '@zest/core/job/commands/removeWith';
import type { Id, MakeId } from '@zest/core/job/id';
import { type Job, settingsOf } from '@zest/core/job/job';
import { t } from '../../messages/t.ts';

/** What puts a doubt right in one press. */
export interface Remedy {
  /** On the button. */
  readonly words: string;
  /** As undo names it. */
  readonly label: string;
  readonly command: Command;
}

interface Doubted<Rule extends DoubtRule> {
  readonly doubt: Doubt;
  readonly about: Extract<DoubtAbout, { readonly rule: Rule }>;
  /** What the rule said it is about. */
  readonly of: string;
  readonly job: Job;
  readonly makeId: MakeId;
}

type Remedies = { readonly [Rule in DoubtRule]?: (doubted: Doubted<Rule>) => Remedy | undefined };

const deleted = (
  words: string,
  { doubt: { name } }: { readonly doubt: Doubt },
  command: Command,
): Remedy => ({
  words,
  label: t('look.deleteNamed', { name }),
  command,
});

/** The last of the marks that a doubt is about. */
const lastMark = ({ place }: Doubt): Id<'mark'> | undefined =>
  place.at === 'marks' ? place.ids.at(-1) : undefined;

const dropMark = (words: string, doubted: { readonly doubt: Doubt }): Remedy | undefined => {
  const id = lastMark(doubted.doubt);
  return id === undefined ? undefined : deleted(words, doubted, removeMarks([id]));
};

/** Doubts that one press puts right; the others are looked at where they are. */
const REMEDIES: Remedies = {
  unconfirmed: ({ doubt: { name }, of }) => ({
    words: t('look.confirmIt'),
    label: t('look.confirm', { name }),
    command: confirmQuantities(new Set([of])),
  }),
  'pinned-far': ({ doubt: { name, place }, makeId }) =>
    place.at === 'line'
      ? {
          words: t('look.unpinIt'),
          label: t('look.unpin', { name }),
          command: changeLines([[place.key, { pinned: undefined }]], makeId),
        }
      : undefined,
  'marks-on-spot': (doubted) => dropMark(t('look.deleteOne'), doubted),
  'counted-and-placed': (doubted) => dropMark(t('look.deleteTheCounted'), doubted),
  'zero-quantity': (doubted) => deleted(t('look.deleteTheLine'), doubted, remove(doubted.of as Id<'line'>)),
  'scope-without-marks': (doubted) =>
    deleted(t('look.deleteTheScope'), doubted, removeScope(doubted.of as Id<'scope'>)),
  'count-unexpected': ({ about: { counted }, doubt: { name }, of }) => ({
    words: t('look.setExpected', { counted }),
    label: t('look.setExpectedOf', { counted, name }),
    command: update({ id: of as Id<'scope'> }, (scope) => ({ ...scope, expected: Math.round(counted) })),
  }),
  'region-not-applied': ({ doubt: { name }, of, job }) => ({
    words: t('look.applyTheRegion'),
    label: t('look.apply', { name }),
    command: update(settingsOf(job), (now) => ({ ...now, regionId: of as Id<'region'> })),
  }),
  'adjustment-matches-few': (doubted) =>
    deleted(t('look.deleteTheAdjustment'), doubted, remove(doubted.of as Id<'adjustment'>)),
  'alternate-not-on-bid': (doubted) =>
    doubted.about.lines === 0
      ? deleted(t('look.deleteTheOption'), doubted, removeAlternate(doubted.of as Id<'alternate'>))
      : undefined,
  'question-unanswered': ({ doubt: { name }, of }) => ({
    words: t('look.keepUsualAnswers'),
    label: t('look.answer', { name }),
    command: update({ id: of as Id<'use'> }, (now) => ({ ...now, usualKept: true })),
  }),
  'sections-empty': ({ about: { sections }, job }) => ({
    words: t('look.sayNotIncluded'),
    label: t('look.say'),
    command: update(settingsOf(job), (now) => ({
      ...now,
      exclusions: [now.exclusions.trimEnd(), ...sections].filter((text) => text !== '').join('\n'),
    })),
  }),
  'inclusion-not-in': ({ doubt: { name }, job }) => ({
    words: t('look.takeOutOfText'),
    label: t('look.takeOutOfText'),
    command: update(settingsOf(job), (now) => ({
      ...now,
      inclusions: now.inclusions
        .split('\n')
        .filter((text) => text.trim() !== name)
        .join('\n'),
    })),
  }),
  'alternate-doubles': ({ about: { baseKey, alternateId }, doubt: { name }, makeId }) => ({
    words: t('look.removedByOption'),
    label: t('look.removeBy', { name }),
    command: changeLines([[baseKey, { alternate: { id: alternateId, as: 'drops' } }]], makeId),
  }),
};

/** What puts a doubt right in one press, where that is one thing. */
export function remedyOf(doubt: Doubt, job: Job, makeId: MakeId): Remedy | undefined {
  const find = REMEDIES[doubt.about.rule] as
    ((doubted: Doubted<DoubtRule>) => Remedy | undefined) | undefined;
  return find?.({ doubt, about: doubt.about, of: doubt.key.slice(doubt.key.indexOf('|') + 1), job, makeId });
}
