import type { Doubt, DoubtAbout, DoubtRule } from '@zest/core/doubts/doubt';
import type { Job } from '@zest/core/job/job';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { AREA, LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { formatNumber } from '@zest/core/units/numberFormat';
import { writeQuantity } from '../figures/writeQuantity.ts';
import type { Formats } from '../stores/context.tsx';
import { describeFailure } from './describeFailure.ts';
import { t } from './t.ts';
import { firstOf, listWith } from './lists.ts';

type About<Rule extends DoubtRule> = Extract<DoubtAbout, { readonly rule: Rule }>;

interface DoubtWords<Rule extends DoubtRule> {
  /** What all doubts of the rule are about, as the head of a list. */
  readonly head: string;
  /** What was found, and how it is put right. */
  readonly say: (about: About<Rule>, formats: Formats, job: Job) => string;
}

const inLength = (meters: number, { display }: Formats): string =>
  joinFigure(formatQuantity(meters, LENGTH, display));

/** The words of each rule of the second look, by its id. */
const WORDS: { readonly [Rule in DoubtRule]: DoubtWords<Rule> } = {
  'sheet-without-scale': {
    head: t('doubt.sheetsWithoutAScale'),
    say: (about) =>
      about.marks === 0
        ? t('doubt.theSheetHasAPrintedScaleBut')
        : t('doubt.onItCantBeMeasuredUntilYou', { marks: t('count.mark', { count: about.marks }) }),
  },
  'scope-without-marks': {
    head: t('doubt.notMeasuredYet'),
    say: () => t('doubt.nothingHasBeenDrawnTypedOrCounted'),
  },
  'price-sample': {
    head: t('doubt.samplePrices'),
    say: (about) =>
      t(
        about.prices === 0
          ? 'doubt.sampleWagesOnly'
          : about.wages === 0
            ? 'doubt.samplePricesOnly'
            : 'doubt.samplePricesAndWages',
        {
          prices: t('count.line', { count: about.prices }),
          wages: t('count.line', { count: about.wages }),
        },
      ),
  },
  'count-unexpected': {
    head: t('doubt.countedAgainstTheSchedule'),
    say: (about, { display }) =>
      t(about.counted < about.expected ? 'doubt.fewerThanTheSchedule' : 'doubt.moreThanTheSchedule', {
        counted: formatNumber(about.counted, 2, display.numbers, true),
        expected: formatNumber(about.expected, 0, display.numbers),
      }),
  },
  'scope-priced-nowhere': {
    head: t('doubt.measuredButNotPriced'),
    say: () => t('doubt.noAssemblyOrFormulaUsesItApply'),
  },
  'marks-overlap': {
    head: t('doubt.theSameAreaMeasuredTwice'),
    say: (about, formats) =>
      t('doubt.twoMarksHaveInCommonMoveOr', {
        value: joinFigure(formatQuantity(about.areaM2, AREA, formats.display)),
      }),
  },
  'opening-beyond-wall': {
    head: t('doubt.openingsLargerThanTheirWall'),
    say: (about, formats) =>
      t('doubt.highInAWallOfCorrectThe', {
        openingM: inLength(about.openingM, formats),
        wallM: inLength(about.wallM, formats),
      }),
  },
  'formula-wrong': {
    head: t('doubt.formulasThatDontWorkOut'),
    say: (about, _formats, job) => describeFailure(about.failure, job),
  },
  'line-without-price': {
    head: t('doubt.linesWithoutAPrice'),
    say: (about, _formats, job) => describeFailure(about.failure, job),
  },
  'units-differ': {
    head: t('doubt.unitsThatDoNotConvert'),
    say: (about, _formats, job) => describeFailure(about.failure, job),
  },
  'line-without-unit': {
    head: t('doubt.linesWithoutAUnit'),
    say: () => t('doubt.nobodyCanTellWhatIsBeingCounted'),
  },
  'line-without-code': {
    head: t('doubt.linesWithoutACostCode'),
    say: () => t('doubt.itWontShowUpUnderAnyCost'),
  },
  'line-without-section': {
    head: t('doubt.linesWithoutASection'),
    say: () => t('doubt.itIsntPartOfAnySectionOf'),
  },
  'zero-quantity': {
    head: t('doubt.quantitiesOfZero'),
    say: () => t('doubt.itIsInTheEstimateAtNo'),
  },
  unconfirmed: {
    head: t('doubt.quantitiesFromAnotherJob'),
    say: (about, formats) => {
      const given = {
        quantity: writeQuantity(about.quantity, about.unit, formats.numbers),
        unit: about.unit,
      };
      return about.source === ''
        ? t('doubt.cameFromAnotherJob', given)
        : t('doubt.cameFromJob', { ...given, source: about.source });
    },
  },
  'pinned-far': {
    head: t('doubt.pinnedFarFromTheCalculatedQuantity'),
    say: (about, formats) =>
      t('doubt.pinnedAtCalculatedItWouldBeUnpin', {
        pinned: writeQuantity(about.pinned, about.unit, formats.numbers),
        flowing: writeQuantity(about.flowing, about.unit, formats.numbers),
        unit: about.unit,
      }),
  },
  'price-old': {
    head: t('doubt.oldPrices'),
    say: (about) =>
      t('doubt.pricedAgoAskForANewPrice', {
        date: about.date,
        days: t('count.day', { count: about.days }),
      }),
  },
  'quote-beside-lines': {
    head: t('doubt.quotesAndYourOwnLinesForThe'),
    say: (about, formats) =>
      t('doubt.quoteBesideLines', {
        company: about.company,
        section: about.section,
        count: about.lines,
        money: formatMoney(about.cost, formats.money),
      }),
  },
  'quote-open': {
    head: t('doubt.quotesWithExclusionsNobodyPriced'),
    say: (about) =>
      t('doubt.leavesOutAndNothingIsAllowed', {
        company: about.company,
        missing: listWith('and', about.missing),
      }),
  },
  'quote-expired': {
    head: t('doubt.expiredQuotes'),
    say: (about) =>
      t('doubt.theQuoteFromExpiredOnAskFor', { company: about.company, validUntil: about.validUntil }),
  },
  'yardstick-out': {
    head: t('doubt.outsideYourYardsticks'),
    say: (about, formats) =>
      t('doubt.isOutsideCheckWhatDrivesIt', {
        about: writeEach(about, formats),
        low: rangeWords(about.low, about.high),
      }),
  },
  'marks-on-spot': {
    head: t('doubt.theSameThingMarkedTwice'),
    say: (about) => t(about.kind === 'run' ? 'doubt.runsLieOnEachOther' : 'doubt.countsLieOnEachOther'),
  },
  'counted-and-placed': {
    head: t('doubt.countedAndPlaced'),
    say: (about) => t('doubt.placedInAWallAndCounted', { counted: about.counted }),
  },
  'piece-too-short': {
    head: t('doubt.piecesShorterThanTheirWall'),
    say: (about, formats) =>
      t('doubt.pieceInAWallOf', {
        item: about.item,
        lengthM: inLength(about.lengthM, formats),
        wallM: inLength(about.wallM, formats),
      }),
  },
  'length-far-off-sheet': {
    head: t('doubt.lengthsFarOffTheirSheet'),
    say: (about, formats) =>
      t('doubt.typedWhereTheSheetShows', {
        lengthM: inLength(about.lengthM, formats),
        sheetM: inLength(about.sheetM, formats),
      }),
  },
  'question-unanswered': {
    head: t('doubt.questionsNobodyAnswered'),
    say: (about) => t('doubt.allAtUsualAnswers', { assembly: about.assembly, count: about.questions }),
  },
  'alternate-not-on-bid': {
    head: t('doubt.optionsWithoutAPrice'),
    say: (about) =>
      about.lines === 0
        ? t('doubt.nothingBelongsToOption')
        : t('doubt.optionHasUnpricedLines', { lines: t('count.line', { count: about.unpriced }) }),
  },
  'bars-missing': {
    head: t('doubt.concreteWithoutBars'),
    say: (about) => t('doubt.neighborHasBars', { neighbor: about.neighbor }),
  },
  'item-unlike': {
    head: t('doubt.itemsThatDoNotFitTheirLine'),
    say: (about) =>
      t(about.what === 'size' ? 'doubt.itemIsOfAnotherSize' : 'doubt.itemSaysAnotherThing', {
        item: about.item,
      }),
  },
  'region-not-applied': {
    head: t('doubt.regionsThatAreNotApplied'),
    say: (about) =>
      about.applied === ''
        ? t('doubt.jobIsInRegion')
        : t('doubt.jobIsInRegionNotIn', { applied: about.applied }),
  },
  'adjustment-matches-few': {
    head: t('doubt.adjustmentsThatChangeLittle'),
    say: (about) =>
      about.changed === 0
        ? t('doubt.adjustmentChangesNothing')
        : t('doubt.adjustmentChangesFew', {
            changed: about.changed,
            lines: t('count.line', { count: about.named }),
          }),
  },
  'inclusion-not-in': {
    head: t('doubt.includedButNotInTheBid'),
    say: (about) => t('doubt.workIsOnlyInOption', { work: about.work, alternate: about.alternate }),
  },
  'text-outdated': {
    head: t('doubt.textsWithAnOldSize'),
    say: (about, formats) =>
      t('doubt.scopeMeasuresOtherwise', {
        scope: about.scope,
        property: about.property,
        valueM: inLength(about.valueM, formats),
      }),
  },
  'one-price-for-sizes': {
    head: t('doubt.onePriceForDifferentSizes'),
    say: (about) => t('doubt.sameUnitPriceAs', { others: listWith('and', about.others) }),
  },
  'sections-empty': {
    head: t('doubt.sectionsWithNothingInThem'),
    say: (about) => t('doubt.nothingIsPricedUnder', { sections: listWith('or', about.sections) }),
  },
  'printed-not-measured': {
    head: t('doubt.printedAndNotMeasured'),
    say: (about) => {
      const [first, more] = firstOf(about.tags, 6);
      return t('doubt.rowsNothingWasMeasuredFor', {
        tags: listWith('and', more > 0 ? [...first, t('frame.andMore', { more })] : first),
      });
    },
  },
  'subcontract-beside-own': {
    head: t('doubt.subcontractAndTheSameByHand'),
    say: (about) => t('doubt.ownLineBesideSubcontract', { own: about.own }),
  },
  'alternate-doubles': {
    head: t('doubt.countedTwiceWithAnAlternate'),
    say: (about) => t('doubt.addsItAndIsInTheBase', { alternate: about.alternate, base: about.base }),
  },
};

export const headOfRule = (rule: DoubtRule): string => WORDS[rule].head;

/** What was found, and how it is put right. */
export function describeDoubt({ about }: Doubt, job: Job, formats: Formats): string {
  // The entry of a rule takes what the rule found; the type of one entry does not say so of all.
  const { say } = WORDS[about.rule] as DoubtWords<DoubtRule>;
  return say(about, formats, job);
}

function writeEach(
  { each, of, unit }: Extract<DoubtAbout, { rule: 'yardstick-out' }>,
  { numbers, money }: Formats,
): string {
  const figure = of === 'hours' ? `${formatNumber(each, 2, numbers)} h` : formatUnitCost(each, money);
  return unit === '' ? figure : `${figure} / ${unit}`;
}

const rangeWords = (low: string, high: string): string =>
  low === ''
    ? t('doubt.atMost', { high })
    : high === ''
      ? t('doubt.atLeast', { low })
      : t('doubt.to', { low, high });
