import type { Answer, KeptRequest } from './asked.ts';

/** How a supplier that is simulated behaves. */
export const MANNERS = ['usual', 'partly', 'substitute', 'late', 'wrong-unit', 'declines', 'silent'] as const;
export type Manner = (typeof MANNERS)[number];

export interface Simulator {
  /** Has a supplier answer by itself after a while, unless it has answered or is a real one. */
  readonly schedule: (request: KeptRequest, token: string, answer: (answer: Answer) => void) => void;
  readonly end: () => void;
}

/** Suppliers of the demo by name; all others are real and answer on their page. */
const SIMULATED: Readonly<Record<string, Manner>> = {
  'Larch & Fetter Lumber': 'usual',
  'Gable End Building Supply': 'partly',
  'Brightling Supply': 'substitute',
  'Siltwater Aggregates': 'late',
  'Cobble Yard Supply': 'wrong-unit',
  'Mudlark Ready-Mix': 'declines',
  'Quiet Harbor Goods': 'silent',
};

/** What one of a unit costs, about: prices are invented, but a foot is not sold for what a yard of concrete is. */
const ABOUT: Readonly<Record<string, number>> = {
  ft: 1.6,
  'ft²': 1.4,
  'yd³': 150,
  'ft³': 6,
  m: 5,
  'm²': 14,
  'm³': 140,
  lb: 1.1,
  kg: 2.2,
  bag: 13,
  roll: 60,
};
const ABOUT_ONE = 18;

/** Between the first answer and the next, milliseconds. */
const USUAL_DELAY_MS = 2_500;

export interface SimulatorBy {
  readonly delayMs?: number;
  readonly manners?: Readonly<Record<string, Manner>>;
}

/** Suppliers that answer by themselves, each in its manner; the same request has the same prices every time. */
export function createSimulator({
  delayMs = USUAL_DELAY_MS,
  manners = SIMULATED,
}: SimulatorBy = {}): Simulator {
  const waiting = new Map<string, ReturnType<typeof setTimeout>>();
  return {
    schedule: (request, token, answer) => {
      const at = request.suppliers.findIndex((each) => each.token === token);
      const supplier = request.suppliers[at];
      const manner = supplier === undefined ? undefined : manners[supplier.name];
      if (supplier === undefined || manner === undefined || manner === 'silent') return;
      if (supplier.answer !== undefined || waiting.has(token)) return;
      const delay = delayMs * (1 + at) * (manner === 'late' ? 4 : 1);
      waiting.set(
        token,
        setTimeout(() => {
          waiting.delete(token);
          answer(answerIn(manner, request, supplier.name));
        }, delay),
      );
    },
    end: () => {
      for (const timer of waiting.values()) clearTimeout(timer);
      waiting.clear();
    },
  };
}

/** Between 0 and 1, the same for the same text: prices are invented, and do not change with the day. */
function chanceOf(text: string): number {
  let hash = 2166136261;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 16777619);
  return ((hash >>> 0) % 10_000) / 10_000;
}

/** What a supplier answers in its manner. */
export function answerIn(manner: Manner, { rows, due }: KeptRequest, supplier: string): Answer {
  if (manner === 'declines')
    return { declined: true, validUntil: '', note: 'We are booked until spring.', rows: [] };
  const answered = rows.flatMap((row, at) => {
    if (manner === 'partly' && at % 3 === 2) return [];
    const about = (ABOUT[row.unit] ?? ABOUT_ONE) * (0.5 + chanceOf(row.description));
    const price = about * (0.9 + chanceOf(`${supplier} ${row.description}`) * 0.25);
    return [
      {
        key: row.key,
        price: price.toFixed(2),
        unit: manner === 'wrong-unit' && at % 2 === 0 ? 'pallet' : row.unit,
        leadDays: String(2 + Math.floor(chanceOf(row.key + supplier) * 12)),
        substitute: manner === 'substitute' && at % 4 === 0 ? `${row.description}, our own make` : '',
        note: '',
      },
    ];
  });
  const validUntil = due === '' ? '' : `${Number(due.slice(0, 4)) + 1}${due.slice(4)}`;
  return { declined: false, validUntil, note: '', rows: answered };
}
