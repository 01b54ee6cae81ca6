/** The outcome of anything a person or a file can get wrong. Programmer's mistakes throw instead. */
export type Result<Value, Reason> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly problem: Reason };

export const accept = <Value>(value: Value): { readonly ok: true; readonly value: Value } => ({
  ok: true,
  value,
});

export const refuse = <Reason>(problem: Reason): { readonly ok: false; readonly problem: Reason } => ({
  ok: false,
  problem,
});

/** For the default branch of a switch over a union: fails to compile when a case is missing. */
export function unreachable(value: never): never {
  throw new Error(`unreachable: got ${JSON.stringify(value)}`);
}
