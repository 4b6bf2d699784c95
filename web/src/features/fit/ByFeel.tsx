/** A joint for which nobody has a figure: tightened by feel, by whom and why. A number is not asked for. */
import { washersNeeded } from '@zephyrcombe/core';
import { WITNESS_MARK_NAMES } from '@zephyrcombe/messages';
import { digestOf, fittedFacts, isLeftTooFar, isTooFar } from '@zephyrcombe/workshop';
import { Link } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton, TextButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Fine, Label, Line, Rows } from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { Hand } from './Hand.ts';
import { Renewed } from './Renewed.tsx';
import { saysTooFar } from './useTorqueAttempt.ts';

export function NoFigure({ view: { joint } }: { readonly view: JointView }) {
  const { job } = useJob();
  return (
    <div>
      <Label as="h2" style={{ fontWeight: 400 }}>
        Tightening, {joint.name.toLowerCase()}
      </Label>
      <p>
        <strong>No figure is known for this joint.</strong> The vehicle maker’s manual may have one: then it
        goes to the joint with its source, and this joint is tightened to it.
      </p>
      <Line>
        <Link to={`/jobs/${job.id}/specify?joint=${joint.id}`}>Enter a figure and its source</Link>
      </Line>
    </div>
  );
}

const EMPTY = { because: '', washers: false, witness: false, renewed: false, id: '' };

interface ByFeelProps {
  readonly view: JointView;
  readonly onStay: (jointId: string) => void;
  readonly onFigure: () => void;
}

export function ByFeel({ view, onStay, onFigure }: ByFeelProps) {
  const detail = useJob();
  const { joint, eyes, chosen } = view;
  const [draft, setDraft, clear] = useDraft(`byFeel.${detail.job.id}.${joint.id}`, EMPTY);
  const record = useJobAction('recordByFeel', detail.job.id, clear);
  const needed = joint.seal === 'banjo' ? washersNeeded(eyes) : null;
  const count = needed?.ok ? needed.value : null;
  const change = (next: Partial<typeof EMPTY>) => {
    if (record.isError) record.reset();
    setDraft({ ...draft, ...next });
  };
  const send = () => {
    const id = draft.id === '' ? newId() : draft.id;
    setDraft({ ...draft, id });
    onStay(joint.id);
    record.mutate({
      params: { jobId: detail.job.id },
      body: {
        id,
        jointId: joint.id,
        freshWashers: draft.washers ? (count ?? 0) : 0,
        witnessMark: draft.witness,
        because: draft.because.trim(),
        renewed: draft.renewed,
        seen: digestOf(fittedFacts(detail, joint.id)),
        overrides: [],
      },
    });
  };
  const last = detail.torqueRecords.findLast(({ jointId }) => jointId === joint.id) ?? null;
  return (
    <>
      {(last === null ? isLeftTooFar(detail, joint.id) : isTooFar(last)) ||
      draft.renewed ||
      saysTooFar(record.error) ? (
        <Renewed
          seal={joint.seal}
          last={last}
          isSelected={draft.renewed}
          onChange={(renewed) => change({ renewed })}
        />
      ) : null}
      <TextField
        label="Why there is no figure"
        value={draft.because}
        onChange={(because) => change({ because })}
      />
      <Rows>
        {count === null ? null : (
          <Tick isSelected={draft.washers} onChange={(washers) => change({ washers })}>
            {count} fresh washers fitted, one on both sides of {eyes === 1 ? 'the eye' : 'every eye'}
          </Tick>
        )}
        <Tick isSelected={draft.witness} onChange={(witness) => change({ witness })}>
          {WITNESS_MARK_NAMES[joint.seal]}
        </Tick>
      </Rows>
      <Fine>
        Snug, and no more: a tube nut seals on its flare, not by force. It stands in the record as tightened
        by feel.
      </Fine>
      <SaveProblem save={record} />
      <Hand>
        <PrimaryButton
          isPending={record.isPending}
          because={
            !chosen.handTight
              ? 'Put this joint on by hand first, as the plan has it.'
              : draft.because.trim().length < 5
                ? 'Say why there is no figure: who asked, and where.'
                : null
          }
          onPress={send}
        >
          Tightened by feel
        </PrimaryButton>
      </Hand>
      <TextButton onPress={onFigure}>read a torque all the same, against our default range</TextButton>
    </>
  );
}
