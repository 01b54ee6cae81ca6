import type { Component } from '../../job/records/assembly.ts';
import type { RecordOf } from '../../job/record.ts';
import { lengthBy } from './formulaEdits.ts';
import type { RandomEdit, Hand } from './hand.ts';
import { measuredBy } from './measureEdits.ts';

/** Changes one component of one assembly. */
const onComponent = (hand: Hand, change: (component: Component) => Component): void => {
  const assembly = hand.at(hand.job.assembly.values());
  if (assembly === undefined) return;
  const at = hand.amount % Math.max(1, assembly.components.length);
  const components = assembly.components.map((each, index) => (index === at ? change(each) : each));
  hand.bench.attempt({ ...assembly, components });
};

const numberBy = (hand: Hand): string => `(${lengthBy(hand)}) / 1 ft`;

/** What is done to assemblies: every place in them where a formula can stand. */
export const assemblyEdits: readonly RandomEdit[] = [
  (hand) => onComponent(hand, (each) => ({ ...each, when: `${lengthBy(hand)} > ${hand.amount % 9} ft` })),
  (hand) => onComponent(hand, ({ when: _when, ...each }) => each),
  (hand) => onComponent(hand, (each) => ({ ...each, unit: 'ft', formula: '2 ft', minimum: lengthBy(hand) })),
  (hand) => onComponent(hand, (each) => ({ ...each, hoursFactor: numberBy(hand) })),
  (hand) => onComponent(hand, (each) => ({ ...each, unit: 'ft', formula: measuredBy(hand) })),
  (hand) =>
    onComponent(hand, ({ per: _per, ...each }) =>
      hand.amount % 3 === 0
        ? each
        : { ...each, per: 'mark', unit: 'ft', formula: `${measuredBy(hand)} + extra` },
    ),
  (hand) =>
    onComponent(hand, ({ roundAt: _at, ...each }) =>
      hand.amount % 3 === 0
        ? each
        : { ...each, roundAt: 'job', roundUpTo: String(1 + (hand.amount % 9)), minimum: lengthBy(hand) },
    ),
  (hand) =>
    onComponent(hand, (each) => ({ ...each, sizing: { family: 'Bars', by: { deep: lengthBy(hand) } } })),
  (hand) => {
    const craft = hand.at(hand.job.craft.values());
    const crew = hand.at(hand.job.crew.values());
    onComponent(hand, (each) => ({
      ...each,
      labor: {
        by: hand.amount % 2 === 0 ? 'hours' : 'daily',
        figure: String(1 + (hand.amount % 5)),
        craftId: craft?.id ?? null,
        ...(crew === undefined || hand.amount % 3 > 0 ? {} : { crewId: crew.id }),
      },
    }));
  },
  (hand) => {
    const { bench, job, at, amount } = hand;
    const assembly = at(job.assembly.values());
    const others = [...job.assembly.values()].filter(({ id }) => id !== assembly?.id);
    const inside = others[amount % Math.max(1, others.length)];
    if (assembly === undefined || inside === undefined) return;
    const [input] = inside.inputs;
    const inner = {
      key: 'inside',
      name: 'Inside',
      assemblyId: inside.id,
      formula: inside.measures === 'run' ? lengthBy(hand) : '4',
      answers: input === undefined ? {} : { [input.key]: lengthBy(hand) },
      ...(amount % 3 === 0 ? { when: `${numberBy(hand)} > 1` } : {}),
    } satisfies NonNullable<RecordOf<'assembly'>['inner']>[number];
    bench.attempt({ ...assembly, inner: amount % 5 === 0 ? [] : [inner] });
  },
  (hand) => {
    const assembly = hand.at(hand.job.assembly.values());
    const [input, ...others] = assembly?.inputs ?? [];
    if (assembly === undefined || input === undefined) return;
    const asked = {
      ...input,
      value: lengthBy(hand),
      unit: 'ft',
      min: '1',
      max: String(2 + (hand.amount % 40)),
    };
    hand.bench.attempt({ ...assembly, inputs: [asked, ...others] });
  },
];
