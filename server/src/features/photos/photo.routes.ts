/** Photographs: taken as they are sent, judged by their content and not by what they claim to be. */
import type { JobDetail, PhotoSubject, PhotoType } from '@zephyrcombe/contract';
import { partsOf, PHOTO_LIMIT_bytes, PHOTO_LIMIT_px } from '@zephyrcombe/contract';
import { REFUSALS } from '@zephyrcombe/messages';
import { factsOfKind } from '@zephyrcombe/workshop';
import type { FastifyInstance } from 'fastify';
import { imageSize } from 'image-size';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
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

/** Whether the job has what the photograph is of. */
const has = (detail: JobDetail, subject: PhotoSubject, subjectId: string): boolean =>
  idsOf(detail, subject).includes(subjectId);

function idsOf(detail: JobDetail, subject: PhotoSubject): readonly string[] {
  const { hoses, joints, components } = partsOf(detail);
  switch (subject) {
    case 'finding':
      return detail.findings.map(({ id }) => id);
    case 'reading':
      return detail.readings.map(({ id }) => id);
    case 'trace':
      return detail.traces.map(({ id }) => id);
    case 'part':
      return [
        ...[...hoses, ...joints, ...components, ...detail.circuits.map(({ circuit }) => circuit)].map(
          ({ id }) => id,
        ),
        // One part that another circuit draws too goes by the id that it has there.
        ...components.flatMap(({ sameAs }) => sameAs ?? []),
      ];
    case 'cover':
      return [...factsOfKind(detail, 'cover')].flatMap(([id, cover]) => (cover ? [id] : []));
    case 'job':
      return [detail.job.id];
  }
}

/** What of its subject the log goes by. */
function aboutOf(
  detail: JobDetail,
  subjectId: string,
): { readonly hoseId?: string; readonly jointId?: string } {
  const { hoses, joints } = partsOf(detail);
  if (joints.some(({ id }) => id === subjectId)) return { jointId: subjectId };
  return hoses.some(({ id }) => id === subjectId) ? { hoseId: subjectId } : {};
}

/** Whatever a file calls itself it is read as bytes; only its content counts. */
export function takePictures(app: FastifyInstance): void {
  app.addContentTypeParser(
    /^(image\/|application\/octet-stream)/,
    { parseAs: 'buffer', bodyLimit: PHOTO_LIMIT_bytes },
    (_request, body, done) => done(null, body),
  );
}

export function photoHandlers(dependencies: Dependencies): Pick<Handlers, 'putPhoto' | 'getPhoto'> {
  const { models } = dependencies.database;
  return {
    async putPhoto({ request, params: { jobId, subject, subjectId, photoId }, query: { step = null } }) {
      const bytes = request.body;
      const picture = Buffer.isBuffer(bytes) ? readPicture(bytes) : null;
      if (!Buffer.isBuffer(bytes) || picture === null) throw new AppProblem('not-a-picture');
      return onOpenJob(dependencies, request, jobId, async ({ detail, transaction, log, person, now }) => {
        if (!has(detail, subject, subjectId)) throw new AppProblem('not-found');
        if (detail.photos.some((photo) => photo.id === photoId)) return;
        if (detail.photos.filter((photo) => photo.subjectId === subjectId).length >= MOST_PHOTOS)
          throw new AppProblem('too-large', { detail: REFUSALS.tooManyPhotos(MOST_PHOTOS) });
        await models.Photo.create(
          {
            id: photoId,
            jobId,
            vehicleId: subject === 'cover' ? detail.vehicle.id : null,
            subject,
            subjectId,
            step,
            ...picture,
            size_bytes: bytes.length,
            bytes,
            takenBy: person.name,
            takenById: person.id,
            takenAt: now,
          },
          { transaction },
        );
        await log('photoAdded', {
          subject,
          subjectId,
          ...aboutOf(detail, subjectId),
          photoId,
          ...picture,
          size_bytes: bytes.length,
          ...(step === null ? {} : { step }),
        });
      });
    },
    async getPhoto({ params: { jobId, photoId } }) {
      const photo = await models.Photo.findByPk(photoId);
      const isShownHere =
        photo?.jobId === jobId ||
        (photo?.vehicleId && photo.vehicleId === (await models.Job.findByPk(jobId))?.vehicleId);
      if (!photo || !isShownHere) throw new AppProblem('not-found');
      return {
        mediaType: photo.mediaType,
        name: null,
        isShown: true,
        isForGood: true,
        content: photo.bytes,
      };
    },
  };
}
