/**
 * Where a figure stands: what it is of (a record, a line, the bid), which figure of it that is, and
 * where there are several of the kind, which of them: `{ owner: 'scope:…', figure: 'property', of: 'height' }`.
 */
export interface NodeId {
  readonly owner: string;
  readonly figure: string;
  readonly of?: string;
}

/** A node as one text, for keys that are kept and for tests that fail. */
export const printNode = ({ owner, figure, of }: NodeId): string =>
  of === undefined ? `${owner}/${figure}` : `${owner}/${figure}/${of}`;

export const sameNode = (a: NodeId, b: NodeId): boolean =>
  a.owner === b.owner && a.figure === b.figure && a.of === b.of;
