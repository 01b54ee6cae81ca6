/** Something a person can have done, by key, by name in the finder, or by button. */
export interface Action {
  readonly id: string;
  readonly label: string;
  readonly key?: string;
  readonly run: () => void;
}
