/** A price or wage as one's own: it says no more that it is a sample. */
export const ownPrice = <Priced extends { readonly sample?: true | undefined }>({
  sample: _shipped,
  ...own
}: Priced): Omit<Priced, 'sample'> => own;
