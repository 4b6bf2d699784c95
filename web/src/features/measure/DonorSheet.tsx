/** A hose from the shelf offered for the one that is being measured. */
import type { JobHose } from '@zephyrcombe/contract';
import { isClosed, partsOf } from '@zephyrcombe/contract';
import type { OrderLength } from '@zephyrcombe/core';
import { useMemo, useState } from 'react';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Fine, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { DonorCheck } from '../donor/DonorCheck.tsx';
import type { Offer, OfferedEnd } from '../donor/donorState.ts';
import { endOf, nearestAngle_deg } from '../donor/donorState.ts';
import { readQuantity } from '../../quantities/QuantityField.tsx';
import type { KeptRoute } from '../route/job/HoseRoute.tsx';
import { useProof } from '../route/job/useWindow.ts';
import { useJob } from '../job/JobContext.ts';
import { KeepEvidence } from '../job/KeepEvidence.tsx';

interface DonorSheetProps {
  readonly hose: JobHose;
  /** By the tape; null before there is one. */
  readonly order: OrderLength | null;
  readonly route: KeptRoute;
}

export function DonorSheet({ hose, order, route }: DonorSheetProps) {
  const detail = useJob();
  const fitted = partsOf(detail).hoses.find(({ id }) => id === hose.hoseId);
  const threadAt = (jointId: string | undefined) =>
    partsOf(detail).joints.find(({ id }) => id === jointId)?.bolt?.thread ?? '';
  const needs = (end: JobHose['endA'], jointId: string | undefined): OfferedEnd => ({
    family: end.family,
    angle_deg: nearestAngle_deg(end.neckAngle_rad),
    thread: threadAt(jointId),
  });
  const [endA, endB] = [needs(hose.endA, fitted?.fromJointId), needs(hose.endB, fitted?.toJointId)];
  const [offer, setOffer, clear] = useDraft<Offer | null>(`donor.${detail.job.id}.${hose.hoseId}`, null);
  const [open, setOpen] = useState(offer !== null);
  const offered_m = readQuantity(offer?.length ?? '', 'length').quantity?.value_SI ?? null;
  const scene = useMemo(
    () =>
      route.scene !== null && offered_m !== null
        ? { ...route.scene, hose: { ...route.scene.hose, length_m: offered_m } }
        : null,
    [route.scene, offered_m],
  );
  const proof = useProof(scene);
  const need =
    order === null
      ? null
      : {
          needed_m: order.longest_m,
          uncertainty_m: order.uncertainty_m,
          slack_m: order.slack_m,
          longest_m: route.window?.long_m ?? null,
          endA: endOf(endA),
          endB: endOf(endB),
        };
  return (
    <Sheet>
      <Spread>
        <SheetTitle>A hose from the shelf</SheetTitle>
        {open ? (
          <TextButton
            onPress={() => {
              clear();
              setOpen(false);
            }}
          >
            put it back
          </TextButton>
        ) : null}
      </Spread>
      {open ? (
        <>
          <DonorCheck
            need={need}
            offer={offer ?? { length: '', endA, endB }}
            onOffer={setOffer}
            along={scene && proof?.ok ? { scene, proof } : null}
          />
          {need === null || offer === null || offered_m === null || isClosed(detail.job) ? null : (
            <KeepEvidence
              jobId={detail.job.id}
              judgement={{
                kind: 'donor',
                hoseId: hose.hoseId,
                check: {
                  need,
                  donor: { length_m: offered_m, endA: endOf(offer.endA), endB: endOf(offer.endB) },
                },
              }}
            >
              Keep this check with the job
            </KeepEvidence>
          )}
        </>
      ) : (
        <>
          <Fine>Offered instead of a new one? Hold it against the route before anything is opened.</Fine>
          <PlainButton onPress={() => setOpen(true)} style={{ marginTop: 8 }}>
            Check a donor hose
          </PlainButton>
        </>
      )}
    </Sheet>
  );
}
