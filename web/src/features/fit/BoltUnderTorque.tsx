/** What a torque does to the bolt and the seat of this joint, by what is on the thread: an estimate, to compare with. */
import type { Bolt } from '@zephyrcombe/contract';
import type { BoltUnderTorque as Estimate, Result } from '@zephyrcombe/core';
import {
  BOLT_STRENGTHS,
  boltUnderTorque,
  THREAD_STATES,
  threadNamed,
  usualBoltAndWasher,
} from '@zephyrcombe/core';
import { problemText, THREAD_STATE_NAMES } from '@zephyrcombe/messages';
import { Link } from 'react-router';
import { useWriter } from '../../app/SessionContext.ts';
import { Figure, Fine, Label, Line, Rows, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { Pick } from '../../design/Pick.tsx';
import { editableText, QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import type { JointView } from '../job/jobView.ts';
import { stackAddress } from '../joint-stack/stackState.ts';
import { JointDrawing } from '../specify/JointDrawing.tsx';
import { Fold } from './Fold.ts';
import type { TorqueAttempt, TorqueDraft } from './useTorqueAttempt.ts';

/** A hard stop with the lever on a bar, or a foot on a pedal: common practice, no published source. */
const HARD_STOP_Pa = 10e6;

interface KnownBolt {
  readonly bolt: Bolt;
  readonly pitch_m: number;
  readonly yield_Pa: number;
}

/** Null where it has none, or nothing is known of its strength. */
function knownBolt({ joint, chosen }: JointView): KnownBolt | null {
  const { bolt } = chosen;
  if (joint.seal !== 'banjo' || !bolt) return null;
  const thread = threadNamed(bolt.thread);
  const strength = BOLT_STRENGTHS[bolt.material];
  return thread && strength ? { bolt, pitch_m: thread.pitch_m, yield_Pa: strength.yield_Pa } : null;
}

/** Null where there is nothing to estimate; a share that is not understood counts as none. */
export function estimateOf(
  view: JointView,
  { threads, share }: Pick<TorqueDraft, 'threads' | 'share'>,
  torque_Nm: number,
): Result<Estimate> | null {
  const known = knownBolt(view);
  if (!known) return null;
  const { bolt, pitch_m, yield_Pa } = known;
  return boltUnderTorque({
    ...usualBoltAndWasher({ diameter_m: bolt.diameter_m, pitch_m, yield_Pa }),
    torque_Nm,
    threads,
    pressure_Pa: HARD_STOP_Pa,
    loadFactor: readQuantity(share, 'fraction', true).quantity?.value_SI ?? 0,
  });
}

interface BoltUnderTorqueProps {
  readonly view: JointView;
  readonly attempt: TorqueAttempt;
  /** What was read; the middle of the range before that. */
  readonly torque_Nm: number;
}

export function BoltUnderTorque({ view, attempt: { draft, change }, torque_Nm }: BoltUnderTorqueProps) {
  const write = useWriter();
  const estimate = estimateOf(view, draft, torque_Nm);
  const { bolt, washer } = view.chosen;
  if (!estimate || !bolt) return null;
  return (
    <Fold>
      <summary>What {write.torque(torque_Nm)} does to the bolt and its seat</summary>
      <Stack $gap={10}>
        <Line style={{ alignItems: 'start' }}>
          <Pick
            label="On its thread and under its head"
            value={draft.threads}
            options={THREAD_STATES.map((value) => ({ value, text: THREAD_STATE_NAMES[value] }))}
            onChange={(threads) => change({ threads })}
          />
          <QuantityField
            label="Share of the pressure’s force that the bolt takes"
            kind="fraction"
            allowZero
            placeholder={editableText(0, write.units.fraction)}
            text={draft.share}
            onText={(share) => change({ share })}
          />
        </Line>
        {estimate.ok ? (
          <>
            <JointDrawing view={view} forces={forcesText(estimate.value, write)} />
            <Figures estimate={estimate} />
            {estimate.value.mostUsed > 1 ? (
              <Notice
                severity="note"
                title={
                  estimate.value.leastUsed > 1
                    ? 'A bolt of these proportions gives at this torque'
                    : 'With little friction a bolt of these proportions gives at this torque'
                }
              >
                <p>
                  The maker’s figure is for the threads as the maker asks for them: bring them to that, clean
                  and dry, or oiled. Where it turns on and gets no tighter, stop.
                </p>
              </Notice>
            ) : null}
          </>
        ) : (
          <Fine>{problemText(estimate.problem, write)}</Fine>
        )}
        <Fine>
          An estimate to compare with: the bore of the bolt, its cross-hole, its neck and the face of the
          washers are assumed, in the proportions of an example of ours;{' '}
          {write.quantity({ kind: 'pressure', value_SI: HARD_STOP_Pa })} in the line. The torque itself comes
          from the maker.{' '}
          <Link
            to={stackAddress(
              {
                eyes: view.eyes,
                thread: bolt.thread,
                bolt: bolt.material,
                washers: washer?.material ?? 'copper',
                lengths_m: { long: bolt.length_m, ...(washer ? { washer: washer.thickness_m } : {}) },
              },
              write.units.length,
            )}
          >
            Work it out with measures of your own
          </Link>
        </Fine>
      </Stack>
    </Fold>
  );
}

type Writer = ReturnType<typeof useWriter>;

function forcesText(
  { leastClamp_N, mostClamp_N, leastLeft_N, mostLeft_N }: Estimate,
  write: Writer,
): { readonly clamp: string; readonly left: string } {
  const between = (low_N: number, high_N: number) =>
    `${write.quantity({ kind: 'force', value_SI: low_N })} to ${write.quantity({ kind: 'force', value_SI: high_N })}`;
  return { clamp: between(leastClamp_N, mostClamp_N), left: between(leastLeft_N, mostLeft_N) };
}

function Figures({ estimate }: { readonly estimate: Extract<Result<Estimate>, { ok: true }> }) {
  const write = useWriter();
  const { value } = estimate;
  const rows: readonly (readonly [string, string])[] = [
    ['clamp', forcesText(value, write).clamp],
    ['with the brake on', forcesText(value, write).left],
    [
      'on the seat',
      `${write.quantity({ kind: 'stress', value_SI: value.leastLeftSeat_Pa })} to ${write.quantity({ kind: 'stress', value_SI: value.mostSeat_Pa })}`,
    ],
    [
      `of its yield, at the ${value.critical}`,
      `${write.fraction(value.leastUsed)} to ${write.fraction(value.mostUsed)}`,
    ],
    [
      'a bolt like this may give from',
      value.mayGive_Nm === value.surelyGives_Nm
        ? write.torque(value.mayGive_Nm)
        : `${write.torque(value.mayGive_Nm)}, at the latest from ${write.torque(value.surelyGives_Nm)}`,
    ],
  ];
  return (
    <Rows>
      {rows.map(([label, figure], index) => (
        <Spread key={label}>
          <Label>{label}</Label>
          <span>
            <Figure>{figure}</Figure>{' '}
            {index === 0 ? <Working of="bolt under its torque" result={estimate} /> : null}
          </span>
        </Spread>
      ))}
    </Rows>
  );
}
