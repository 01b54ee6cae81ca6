import type { BlockOf, DocumentBlock } from '@zest/core/job/records/document';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { t } from '../../messages/t.ts';

interface CaptionFieldProps {
  readonly block: BlockOf<'picture'> | BlockOf<'sheet'>;
  readonly onChange: (block: DocumentBlock) => string | undefined;
}

/** What stands below a picture. */
export const CaptionField = ({ block, onChange }: CaptionFieldProps) => (
  <Labeled label={t('bid.caption')}>
    {() => (
      <CommitInput
        label={t('bid.caption')}
        value={block.caption}
        onCommit={(caption) => onChange({ ...block, caption: caption.trim() })}
      />
    )}
  </Labeled>
);
