/** A picture taken from a file or the camera, made small in the browser; what is no picture is refused with a sentence. */
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { PlainButton } from '../../design/Button.tsx';
import { Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { shrunk } from '../photos/photoFile.ts';
import type { Picture } from './TracePicture.tsx';

export interface PickedPicture extends Picture {
  readonly file: Blob;
}

async function opened(file: Blob): Promise<PickedPicture> {
  const small = await shrunk(file);
  const bitmap = await createImageBitmap(small);
  const { width, height } = bitmap;
  bitmap.close();
  return { file: small, url: URL.createObjectURL(small), width_px: width, height_px: height };
}

interface PicturePickProps {
  readonly text: string;
  readonly isPending?: boolean;
  readonly onPicture: (picture: PickedPicture) => void;
}

export function PicturePick({ text, isPending = false, onPicture }: PicturePickProps) {
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (files: FileList | null) => {
    const [file] = files ?? [];
    if (!file) return;
    setWrong(null);
    try {
      onPicture(await opened(file));
    } catch (error) {
      setWrong(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Stack $gap={8}>
      <div>
        <FileTrigger acceptedFileTypes={['image/jpeg', 'image/png']} onSelect={(files) => void take(files)}>
          <PlainButton isPending={isPending}>{text}</PlainButton>
        </FileTrigger>
      </div>
      {wrong === null ? null : (
        <Notice severity="stop" title="The picture was not taken" live>
          <p>{wrong}</p>
        </Notice>
      )}
    </Stack>
  );
}
