/** What was found on one hose, pipe or joint, what to do about it, and the way to record more. */
import type { Finding } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import {
  CONDITION_SIGNS,
  CONDITION_WORDS,
  DEEPER_WORDS,
  DEGREE_WORDS,
  RECOMMENDATION_WORDS,
} from '@zephyrcombe/messages';
import type { Condition, Degree, FindingSubject } from '@zephyrcombe/core';
import { conditionsOn, DEGREES, recommend } from '@zephyrcombe/core';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Label, Line, Rows, Spread, Stack, Unseen } from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';
import { Photos } from '../photos/Photos.tsx';

interface FindingsProps {
  readonly subject: FindingSubject;
  readonly subjectId: string;
  readonly name: string;
}

export function Findings({ subject, subjectId, name }: FindingsProps) {
  const { job, findings } = useJob();
  const [open, setOpen] = useState(false);
  const finished = isClosed(job);
  const own = findings.filter((finding) => finding.subjectId === subjectId && finding.struckBecause === null);
  return (
    <Stack $gap={6}>
      {own.length === 0 ? <Fine>Nothing recorded on it yet.</Fine> : null}
      {own.length > 0 ? (
        <Rows>
          {own.map((finding) => (
            <FindingRow key={finding.id} finding={finding} name={name} isDisabled={finished} />
          ))}
        </Rows>
      ) : null}
      {finished ? null : open ? (
        <NewFinding subject={subject} subjectId={subjectId} name={name} onDone={() => setOpen(false)} />
      ) : (
        <div>
          <TextButton onPress={() => setOpen(true)}>
            Record what you see<Unseen> on {name}</Unseen>
          </TextButton>
        </div>
      )}
    </Stack>
  );
}

function FindingRow({
  finding,
  name,
  isDisabled,
}: {
  readonly finding: Finding;
  readonly name: string;
  readonly isDisabled: boolean;
}) {
  const { job, photos } = useJob();
  const write = useWriter();
  const [striking, setStriking] = useState(false);
  const [because, setBecause] = useState('');
  const strike = useJobAction('strikeFinding', job.id, () => setStriking(false));
  const advice = recommend(finding.subject, finding.condition, finding.degree);
  return (
    <Stack $gap={4}>
      <Spread>
        <span>
          <strong>{capital(CONDITION_WORDS[finding.condition])}</strong>
          {finding.condition === 'sound' ? '' : `, ${finding.degree}`}
          {finding.note === '' ? '' : `: ${finding.note}`}
        </span>
        <Label>
          {write.date(finding.foundAt)}, {finding.foundBy}
        </Label>
      </Spread>
      <Fine>
        {RECOMMENDATION_WORDS[advice]}
        {advice === 'lookDeeper' && DEEPER_WORDS[finding.condition]
          ? `: ${DEEPER_WORDS[finding.condition]}`
          : '.'}
      </Fine>
      <Photos
        jobId={job.id}
        of={{
          subject: 'finding',
          subjectId: finding.id,
          name: `${name}, ${CONDITION_WORDS[finding.condition]}`,
        }}
        photos={photos}
        isDisabled={isDisabled}
      />
      {isDisabled ? null : striking ? (
        <Stack $gap={6}>
          <TextField label="Why it is struck out" value={because} onChange={setBecause} />
          <SaveProblem save={strike} />
          <Line>
            <PlainButton
              isPending={strike.isPending}
              because={because.trim() === '' ? 'Say why.' : null}
              onPress={() =>
                strike.mutate({
                  params: { jobId: job.id, findingId: finding.id },
                  body: { because: because.trim() },
                })
              }
            >
              Strike it out
            </PlainButton>
            <TextButton onPress={() => setStriking(false)}>Leave it</TextButton>
          </Line>
        </Stack>
      ) : (
        <div>
          <TextButton onPress={() => setStriking(true)}>
            strike out
            <Unseen>
              {' '}
              {CONDITION_WORDS[finding.condition]} on {name}
            </Unseen>
          </TextButton>
        </div>
      )}
    </Stack>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

interface NewFindingProps extends FindingsProps {
  readonly onDone: () => void;
}

const EMPTY: { readonly condition: Condition; readonly degree: Degree; readonly note: string } = {
  condition: 'sound',
  degree: 'marked',
  note: '',
};

function NewFinding({ subject, subjectId, name, onDone }: NewFindingProps) {
  const { job } = useJob();
  const [draft, setDraft, clear] = useDraft(`finding.${job.id}.${subjectId}`, EMPTY);
  const record = useJobAction('recordFinding', job.id, () => {
    clear();
    onDone();
  });
  const { condition, degree, note } = draft;
  const isSound = condition === 'sound';
  const advice = recommend(subject, condition, degree);
  return (
    <Stack $gap={10}>
      <Pick<Condition>
        label={`What is found on ${name}`}
        value={condition}
        options={conditionsOn(subject).map((each) => ({ value: each, text: capital(CONDITION_WORDS[each]) }))}
        onChange={(next) => setDraft({ ...draft, condition: next })}
      />
      <Fine>{CONDITION_SIGNS[condition]}</Fine>
      {isSound ? null : (
        <ChoiceRow<Degree>
          label="How far it has gone"
          value={degree}
          options={DEGREES.map((each) => ({ value: each, text: DEGREE_WORDS[each] }))}
          onChange={(next) => setDraft({ ...draft, degree: next })}
        />
      )}
      <TextField
        label="Where on it, and anything else"
        value={note}
        onChange={(text) => setDraft({ ...draft, note: text })}
      />
      {isSound ? null : (
        <Fine>
          <strong>{RECOMMENDATION_WORDS[advice]}</strong>
          {advice === 'lookDeeper' && DEEPER_WORDS[condition] ? `: ${DEEPER_WORDS[condition]}` : '.'}
        </Fine>
      )}
      <SaveProblem save={record} />
      <Line>
        <PrimaryButton
          isPending={record.isPending}
          onPress={() =>
            record.mutate({
              params: { jobId: job.id },
              body: { id: newId(), subject, subjectId, condition, degree, note: note.trim() },
            })
          }
        >
          Record “{isSound ? CONDITION_WORDS.sound : `${CONDITION_WORDS[condition]}, ${degree}`}”
        </PrimaryButton>
        <TextButton onPress={onDone}>Not now</TextButton>
      </Line>
    </Stack>
  );
}
