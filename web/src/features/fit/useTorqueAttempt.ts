/** What is typed, or read from a wrench, at a joint, and what the core says of it. */
import { torqueOf } from '@zephyrcombe/contract';
import type { Adapter, ThreadState } from '@zephyrcombe/core';
import { judgeCalibration, judgeTorqueAttempt, washersNeeded } from '@zephyrcombe/core';
import { digestOf, fittedFacts, isLeftTooFar, isTooFar } from '@zephyrcombe/workshop';
import type { ApiError } from '../../api/client.ts';
import { useJobAction } from '../../api/queries.ts';
import { newId } from '../../app/newId.ts';
import { useToday } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { readQuantity } from '../../quantities/QuantityField.tsx';
import { useJob } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';

const EMPTY = {
  text: '',
  wrenchId: '',
  washers: false,
  witness: false,
  id: '',
  /** The pull that is listened to, or that the figure comes from. */
  pullId: '',
  /** The pull whose figure stands in the field. */
  readFrom: '',
  /** In that pull the bolt turned on without getting tighter. */
  gave: false,
  /** When the wrench says it was calibrated, where it was read. */
  toldOn: '',
  toldBy: '',
  hasAdapter: false,
  wrench_m: null as number | null,
  extension_m: null as number | null,
  angle_rad: 0 as number | null,
  threads: 'unsaid' as ThreadState,
  /** What of the pressure’s force the bolt takes, as typed. */
  share: '',
  renewed: false,
};
export type TorqueDraft = typeof EMPTY;
export type TorqueAttempt = ReturnType<typeof useTorqueAttempt>;

/** What stands on the wrench; `null` nothing, `'unsaid'` where its measures are missing. */
export function adapterOf({
  hasAdapter,
  wrench_m,
  extension_m,
  angle_rad,
}: TorqueDraft): Adapter | null | 'unsaid' {
  if (!hasAdapter) return null;
  return wrench_m === null || extension_m === null || angle_rad === null
    ? 'unsaid'
    : { wrench_m, extension_m, angle_rad };
}

export const saysTooFar = (error: ApiError | null): boolean =>
  error?.details?.errors?.some(({ field }) => field === 'tightenedTooFar') ?? false;

export function useTorqueAttempt(view: JointView, onStay: (jointId: string) => void) {
  const detail = useJob();
  const { joint, eyes } = view;
  const torques = torqueOf(joint);
  const [draft, setDraft, clear] = useDraft(`torque.${detail.job.id}.${joint.id}`, EMPTY);
  const record = useJobAction('recordTorque', detail.job.id, clear);
  const today = useToday();
  // The smallest wrench that reaches the range is the one a colleague would hand over, and none whose calibration is too old.
  const reaching = detail.wrenches.filter(({ maximum_Nm }) => maximum_Nm >= torques.governing.maximum_Nm);
  const fitting =
    reaching.find(({ calibratedOn }) => judgeCalibration(calibratedOn, today) !== 'stale') ??
    reaching[0] ??
    detail.wrenches[0];
  const wrench = detail.wrenches.find((candidate) => candidate.id === draft.wrenchId) ?? fitting;
  const needed = joint.seal === 'banjo' ? washersNeeded(eyes) : null;
  const washerCount = needed?.ok ? needed.value : null;
  const freshWashers = draft.washers ? (washerCount ?? 0) : 0;
  const reading = readQuantity(draft.text, 'torque').quantity;
  const adapter = adapterOf(draft);
  const judged =
    reading === null || !wrench || adapter === 'unsaid'
      ? null
      : judgeTorqueAttempt({
          seal: joint.seal,
          eyes,
          freshWashers,
          reading_Nm: reading.value_SI,
          range: torques.governing,
          wrenchMaximum_Nm: wrench.maximum_Nm,
          wrenchMinimum_Nm: wrench.minimum_Nm,
          adapter,
          calibration: {
            calibratedOn:
              draft.toldOn !== '' && draft.toldBy === wrench.serial && draft.toldOn <= today
                ? draft.toldOn
                : wrench.calibratedOn,
            today,
          },
        });
  const parts = fittedFacts(detail, joint.id);
  const last = detail.torqueRecords.findLast(({ jointId }) => jointId === joint.id);
  return {
    // By its last record; by a pull that nobody recorded the server says so.
    isTooFar:
      (last === undefined ? isLeftTooFar(detail, joint.id) : isTooFar(last)) ||
      draft.renewed ||
      saysTooFar(record.error),
    draft,
    record,
    torques,
    wrench,
    adapter,
    /** Null where the joint has none. */
    washerCount,
    reading,
    judged,
    parts,
    // What was refused is refused no longer once something is changed.
    change: (next: Partial<TorqueDraft>) => {
      if (record.isError) record.reset();
      setDraft({ ...draft, ...next });
    },
    send: () => {
      if (reading === null || !wrench || !judged?.ok || adapter === 'unsaid') return;
      const id = draft.id === '' ? newId() : draft.id;
      setDraft({ ...draft, id });
      onStay(joint.id);
      record.mutate({
        params: { jobId: detail.job.id },
        body: {
          id,
          jointId: joint.id,
          wrenchId: wrench.id,
          torque_Nm: reading.value_SI,
          typed: reading.typed,
          adapter,
          pullId: draft.readFrom === '' ? null : draft.readFrom,
          freshWashers,
          witnessMark: draft.witness,
          threads: draft.threads === 'unsaid' ? null : draft.threads,
          renewed: draft.renewed,
          seen: digestOf(parts),
          overrides: [],
        },
      });
    },
  };
}
