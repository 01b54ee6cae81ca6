import { Button } from '@chakra-ui/react';
import { ImagePlus } from 'lucide-react';
import { useRef } from 'react';
import { readImageSize } from '@zest/core/formats/image/read';
import { LIMITS } from '@zest/core/formats/limits';
import { put } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import type { FileRecord } from '@zest/core/job/records/file';
import { FileInput } from '../../parts/FileInput.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useJobActions, useServices } from '../../stores/context.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { t } from '../../messages/t.ts';
import { fileSize } from '../../messages/words.ts';

interface NewPictureProps {
  /** It is kept with the job; a block can show it. */
  readonly onPicture: (fileId: Id<'file'>) => void;
}

/** Takes in a photo or a rendering. */
export function NewPicture({ onPicture }: NewPictureProps) {
  const input = useRef<HTMLInputElement>(null);
  const services = useServices();
  const actions = useJobActions();
  const take = async (file: File): Promise<void> => {
    const limit = LIMITS.logo.bytes;
    const { name } = file;
    if (file.size > limit)
      return tellProblem(
        t('bid.pictureTooLarge', { name, size: fileSize(file.size), limit: fileSize(limit) }),
      );
    const size = readImageSize(new Uint8Array(await file.arrayBuffer()));
    if (!size.ok || size.value.format === 'image/tiff') return tellProblem(t('bid.pictureUnknown', { name }));
    const record: FileRecord = {
      type: 'file',
      id: services.makeId('file'),
      name: name.slice(0, 200),
      mediaType: size.value.format,
      byteLength: file.size,
      pageCount: 1,
    };
    const label = t('bid.addBlockNamed', { name: t('bid.blockPicture') });
    const done = actions.transact(label, put(record), new Map([[record.id, file]]));
    if (done.ok) onPicture(record.id);
    else tellProblem(describeProblem(done.problem));
  };
  return (
    <>
      <Button size="sm" variant="outline" onClick={() => input.current?.click()}>
        <ImagePlus size={14} /> {t('bid.choosePicture')}
      </Button>
      <FileInput
        ref={input}
        label={t('bid.choosePicture')}
        target="picture"
        onFile={(file) => void take(file)}
      />
    </>
  );
}
