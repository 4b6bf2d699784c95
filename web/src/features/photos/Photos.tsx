/** Photographs of a finding or a reading: added from the camera or a file, seen small, opened large. */
import type { JobChange, Photo, PhotoSubject } from '@zephyrcombe/contract';
import { photoAddress, photoUploadAddress } from '@zephyrcombe/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { sendBytes } from '../../api/client.ts';
import type { ApiError } from '../../api/client.ts';
import { showChange } from '../../api/queries.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { newId } from '../../app/newId.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { Fine, Line } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { colour } from '../../design/tokens.ts';
import { shrunk } from './photoFile.ts';
import { ErrorWords } from '../../api/ErrorWords.tsx';

const Thumb = styled.button`
  padding: 0;
  border: 1px solid ${colour('ink')};
  background: ${colour('sheet')};
  width: 96px;
  height: 72px;
  cursor: pointer;
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
    display: block;
  }
`;

interface PhotosProps {
  readonly jobId: string;
  readonly subject: PhotoSubject;
  readonly subjectId: string;
  readonly name: string;
  readonly photos: readonly Photo[];
  readonly isDisabled: boolean;
}

interface Upload {
  readonly photoId: string;
  readonly file: Blob;
}

export function Photos({ jobId, subject, subjectId, name, photos, isDisabled }: PhotosProps) {
  const client = useQueryClient();
  const write = useWriter();
  const [open, setOpen] = useState<Photo | null>(null);
  const upload = useMutation<JobChange, ApiError | Error, Upload>({
    // The same id on a second try: a photograph whose reply was lost is not kept twice.
    mutationFn: async ({ photoId, file }) =>
      (await sendBytes(
        photoUploadAddress(jobId, subject, subjectId, photoId),
        await shrunk(file),
      )) as JobChange,
    onSuccess: (change) => showChange(client, change),
  });
  const take = (files: FileList | null) => {
    const [file] = files ?? [];
    if (file) upload.mutate({ photoId: newId(), file });
  };
  return (
    <div>
      <Line $gap={8}>
        {photos.map((photo, index) => (
          <Thumb
            key={photo.id}
            type="button"
            onClick={() => setOpen(photo)}
            aria-label={`Open photograph ${index + 1} of ${name}`}
          >
            <img src={photoAddress(jobId, photo.id)} alt="" width="96" height="72" loading="lazy" />
          </Thumb>
        ))}
        {isDisabled ? null : (
          <FileTrigger acceptedFileTypes={['image/jpeg', 'image/png']} onSelect={take}>
            <TextButton isPending={upload.isPending}>
              {upload.isPending ? 'Sending the photograph…' : 'Add a photograph'}
            </TextButton>
          </FileTrigger>
        )}
      </Line>
      {upload.isError ? (
        <Notice severity="stop" title="The photograph was not kept" live>
          <ErrorWords error={upload.error} />
          <PlainButton onPress={() => upload.mutate(upload.variables)} style={{ marginTop: 8 }}>
            Try again
          </PlainButton>
        </Notice>
      ) : null}
      {open ? (
        <Dialog title={name} isOpen onClose={() => setOpen(null)}>
          <img src={photoAddress(jobId, open.id)} alt={name} style={{ maxWidth: '100%', display: 'block' }} />
          <Fine>
            {write.date(open.takenAt)}, {open.takenBy}
          </Fine>
        </Dialog>
      ) : null}
    </div>
  );
}
