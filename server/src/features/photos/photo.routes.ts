/** Photographs of findings and readings, and what is traced on: taken as they are sent, judged by their content and not by what they claim to be. */
import {
  REFUSALS,
  Id,
  PHOTO_LIMIT_bytes,
  PHOTO_LIMIT_px,
  PHOTO_SUBJECTS,
  photoAddress,
  photoUploadAddress,
} from '@zephyrcombe/contract';
import type { JobDetail, PhotoSubject, PhotoType } from '@zephyrcombe/contract';
import type { FastifyInstance } from 'fastify';
import { imageSize } from 'image-size';
import { z } from 'zod';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { onOpenJob } from '../jobs/jobAction.ts';

const MOST_PHOTOS = 12;

export interface Picture {
  readonly mediaType: PhotoType;
  readonly width_px: number;
  readonly height_px: number;
}

/** What a file is by its first bytes and its own header; null when it is no picture that we keep. */
export function readPicture(bytes: Buffer): Picture | null {
  let size: ReturnType<typeof imageSize>;
  try {
    size = imageSize(bytes);
  } catch {
    return null;
  }
  const mediaType = size.type === 'jpg' ? 'image/jpeg' : size.type === 'png' ? 'image/png' : null;
  const fits = (px: number) => Number.isInteger(px) && px >= 1 && px <= PHOTO_LIMIT_px;
  return mediaType !== null && fits(size.width) && fits(size.height)
    ? { mediaType, width_px: size.width, height_px: size.height }
    : null;
}

/** Four megabytes take their time from the phone in the yard. */
const UPLOAD_ms = 180_000;

const UploadParams = z.strictObject({
  jobId: Id,
  subject: z.enum(PHOTO_SUBJECTS),
  subjectId: Id,
  photoId: Id,
});
/** Whether the job has what the photograph is of. */
const has = (detail: JobDetail, subject: PhotoSubject, subjectId: string): boolean =>
  ({ finding: detail.findings, reading: detail.readings, trace: detail.traces })[subject].some(
    ({ id }) => id === subjectId,
  );

const PhotoParams = z.strictObject({ jobId: Id, photoId: Id });

export function registerPhotoRoutes(app: FastifyInstance, dependencies: Dependencies): void {
  const { database } = dependencies;
  const { models } = database;
  // Whatever it calls itself is read as bytes; only its content counts.
  app.addContentTypeParser(
    /^(image\/|application\/octet-stream)/,
    { parseAs: 'buffer', bodyLimit: PHOTO_LIMIT_bytes },
    (_request, body, done) => done(null, body),
  );

  app.put(
    photoUploadAddress(':jobId', ':subject', ':subjectId', ':photoId'),
    {
      config: { access: 'work' },
      schema: { hide: true, params: UploadParams },
      bodyLimit: PHOTO_LIMIT_bytes,
      handlerTimeout: UPLOAD_ms,
    },
    async (request) => {
      const { jobId, subject, subjectId, photoId } = request.params as z.infer<typeof UploadParams>;
      const bytes = request.body;
      const picture = Buffer.isBuffer(bytes) ? readPicture(bytes) : null;
      if (!Buffer.isBuffer(bytes) || picture === null) throw new AppProblem('not-a-picture');
      return onOpenJob(dependencies, request, jobId, async ({ detail, transaction, log, person, now }) => {
        if (!has(detail, subject, subjectId)) throw new AppProblem('not-found');
        if (detail.photos.some((photo) => photo.id === photoId)) return;
        if (detail.photos.filter((photo) => photo.subjectId === subjectId).length >= MOST_PHOTOS)
          throw new AppProblem('too-large', {
            detail: REFUSALS.tooManyPhotos(MOST_PHOTOS),
          });
        await models.Photo.create(
          {
            id: photoId,
            jobId,
            subject,
            subjectId,
            ...picture,
            size_bytes: bytes.length,
            bytes,
            takenBy: person.name,
            takenById: person.id,
            takenAt: now,
          },
          { transaction },
        );
        await log('photoAdded', { subject, subjectId, photoId, ...picture, size_bytes: bytes.length });
      });
    },
  );

  app.get(
    photoAddress(':jobId', ':photoId'),
    { config: { access: 'read' }, schema: { hide: true, params: PhotoParams } },
    async (request, reply) => {
      const { jobId, photoId } = request.params as z.infer<typeof PhotoParams>;
      const photo = await models.Photo.findByPk(photoId);
      if (photo?.jobId !== jobId) throw new AppProblem('not-found');
      return reply
        .header('cache-control', 'private, max-age=31536000, immutable')
        .header('content-disposition', 'inline')
        .type(photo.mediaType)
        .serializer((payload: unknown) => payload as string)
        .send(photo.bytes);
    },
  );
}
