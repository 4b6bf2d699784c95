/** Sends photographs of a job: kept by the page where what they are of may be gone from it before they arrive. */
import type { JobChange, PhotoSubject } from '@zephyrcombe/contract';
import { photoUploadAddress } from '@zephyrcombe/contract';
import type { StepKind } from '@zephyrcombe/core/plan';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { sendBytes } from '../../api/client.ts';
import type { ApiError } from '../../api/client.ts';
import { showChange } from '../../api/queries.ts';
import { newId } from '../../app/newId.ts';
import { shrunk } from './photoFile.ts';

/** What a photograph is of. */
export interface PhotoOf {
  readonly subject: PhotoSubject;
  readonly subjectId: string;
  readonly name: string;
  /** The step of fitting that it is taken at. */
  readonly step?: StepKind;
}

interface Sent {
  readonly of: PhotoOf;
  /** The same on a second try: a photograph whose reply was lost is not kept twice. */
  readonly photoId: string;
  readonly file: Blob;
}
interface Failed {
  readonly sent: Sent;
  readonly error: ApiError | Error;
}

export interface PhotoUpload {
  readonly send: (of: PhotoOf, file: Blob) => void;
  readonly again: (sent: Sent) => void;
  readonly isSending: (of: PhotoOf) => boolean;
  /** Each one that did not arrive: the next one may be on its way meanwhile. */
  readonly failed: readonly Failed[];
}

export function usePhotoUpload(jobId: string): PhotoUpload {
  const client = useQueryClient();
  const [onTheWay, setOnTheWay] = useState<readonly Sent[]>([]);
  const [failed, setFailed] = useState<readonly Failed[]>([]);
  const { mutate } = useMutation<JobChange, ApiError | Error, Sent>({
    mutationFn: async ({ of, photoId, file }) =>
      (await sendBytes(
        photoUploadAddress(jobId, of.subject, of.subjectId, photoId, of.step),
        await shrunk(file),
      )) as JobChange,
    onMutate: (sent) => {
      setOnTheWay((before) => [...before, sent]);
      setFailed((before) => before.filter((one) => one.sent.photoId !== sent.photoId));
    },
    onSuccess: (change) => showChange(client, change),
    onError: (error, sent) => setFailed((before) => [...before, { sent, error }]),
    onSettled: (_change, _error, sent) =>
      setOnTheWay((before) => before.filter(({ photoId }) => photoId !== sent.photoId)),
  });
  return {
    send: (of, file) => mutate({ of, photoId: newId(), file }),
    again: (sent) => mutate(sent),
    isSending: ({ subjectId }) => onTheWay.some(({ of }) => of.subjectId === subjectId),
    failed,
  };
}
