import { inOrder } from '@zest/core/job/job';
import type { Section } from '@zest/core/job/records/section';

/** Sections as the options of a choice, in their order, with their codes. */
export const SectionOptions = ({ sections }: { readonly sections: Iterable<Section> }) =>
  inOrder(sections).map(({ id, code, name }) => (
    <option key={id} value={id}>
      {`${code} ${name}`.trim()}
    </option>
  ));
