/** Photographs of one thing: added from the camera or a file, seen small, opened large. */
import type { Photo } from '@zephyrcombe/contract';
import { photoAddress } from '@zephyrcombe/contract';
import { stepDone } from '@zephyrcombe/messages';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { ErrorWords } from '../../api/ErrorWords.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { Fine, Line } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { colour } from '../../design/tokens.ts';
import type { PhotoOf, PhotoUpload } from './usePhotoUpload.ts';
import { usePhotoUpload } from './usePhotoUpload.ts';

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
  readonly of: PhotoOf;
  readonly photos: readonly Photo[];
  readonly isDisabled: boolean;
}

export function Photos(props: PhotosProps) {
  const upload = usePhotoUpload(props.jobId);
  return (
    <div>
      <PhotoRow {...props} upload={upload} />
      <PhotoNotKept upload={upload} />
    </div>
  );
}

/** The same where the page sends them, and says itself what was not kept. */
export function PhotoRow({
  jobId,
  of,
  photos,
  isDisabled,
  upload,
}: PhotosProps & { readonly upload: PhotoUpload }) {
  const write = useWriter();
  const [open, setOpen] = useState<Photo | null>(null);
  const take = (files: FileList | null) => {
    const [file] = files ?? [];
    if (file) upload.send(of, file);
  };
  const own = photos.filter(({ subject, subjectId }) => subject === of.subject && subjectId === of.subjectId);
  const isSending = upload.isSending(of);
  return (
    <>
      <Line $gap={8}>
        {own.map((photo, index) => (
          <Thumb
            key={photo.id}
            type="button"
            onClick={() => setOpen(photo)}
            aria-label={`Open photograph ${index + 1} of ${of.name}`}
          >
            <img src={photoAddress(jobId, photo.id)} alt="" width="96" height="72" loading="lazy" />
          </Thumb>
        ))}
        {isDisabled ? null : (
          <FileTrigger
            acceptedFileTypes={['image/jpeg', 'image/png']}
            // At a step there is nothing to choose: it is what is before the camera.
            {...(of.step === undefined ? {} : { defaultCamera: 'environment' })}
            onSelect={take}
          >
            <TextButton isPending={isSending}>
              {isSending ? 'Sending the photograph…' : 'Add a photograph'}
            </TextButton>
          </FileTrigger>
        )}
      </Line>
      {open ? (
        <Dialog title={of.name} isOpen onClose={() => setOpen(null)}>
          <img
            src={photoAddress(jobId, open.id)}
            alt={of.name}
            style={{ maxWidth: '100%', display: 'block' }}
          />
          <Fine>
            {open.step === null ? '' : `${stepDone({ kind: open.step })}. `}
            {write.date(open.takenAt)}, {open.takenBy}
          </Fine>
        </Dialog>
      ) : null}
    </>
  );
}

/** What did not arrive, with the way to send it again. */
export function PhotoNotKept({ upload }: { readonly upload: PhotoUpload }) {
  return upload.failed.map(({ sent, error }) => (
    <Notice key={sent.photoId} severity="stop" title={`A photograph was not kept: ${sent.of.name}`} live>
      <ErrorWords error={error} />
      <PlainButton onPress={() => upload.again(sent)} style={{ marginTop: 8 }}>
        Try again
      </PlainButton>
    </Notice>
  ));
}
