/** Brackets, clips, bolts and nipples: noted where they come off, ticked where they go on again. */
import type { ItemKind, JobItem } from '@zephyrcombe/contract';
import { isClosed, isTightened, ITEM_KINDS } from '@zephyrcombe/contract';
import { ITEM_NAMES } from '@zephyrcombe/messages';
import { factOf, screwCautions } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { newId } from '../../app/newId.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack, Unseen } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';

const HANDLING = { refit: 'goes on again', replace: 'is replaced' } as const;

interface ItemsSheetProps {
  /** Noted while looking over, put on while fitting. */
  readonly stage: 'lookOver' | 'fit';
}

export function ItemsSheet({ stage }: ItemsSheetProps) {
  const { job, items } = useJob();
  const closed = isClosed(job);
  if (stage === 'fit' && items.length === 0) return null;
  return (
    <Sheet aria-label="Brackets, clips, bolts and nipples">
      <SheetTitle>Brackets, clips, bolts and nipples</SheetTitle>
      <Stack $gap={10}>
        {items.length === 0 ? (
          <Fine>What is taken off, or comes new, is noted here, and asked for before the job is signed.</Fine>
        ) : (
          <Rows>
            {items.map((item) =>
              stage === 'fit' ? (
                <ItemToFit key={item.id} item={item} closed={closed} />
              ) : (
                <NotedItem key={item.id} item={item} closed={closed} />
              ),
            )}
          </Rows>
        )}
        {stage === 'lookOver' && !closed ? <NewItem /> : null}
      </Stack>
    </Sheet>
  );
}

interface ItemProps {
  readonly item: JobItem;
  readonly closed: boolean;
}

function NotedItem({ item, closed }: ItemProps) {
  const { job } = useJob();
  const remove = useJobAction('removeItem', job.id);
  /** Null until somebody wants to take it out. */
  const [because, setBecause] = useState<string | null>(null);
  return (
    <div>
      <Spread>
        <span>
          {item.name} <Label>{`${ITEM_NAMES[item.kind]}, ${HANDLING[item.handling]}`}</Label>
        </span>
        {closed || because !== null ? null : (
          <TextButton onPress={() => setBecause('')}>
            take out<Unseen> {item.name}</Unseen>
          </TextButton>
        )}
      </Spread>
      {because === null ? null : (
        <Stack $gap={6}>
          <TextField
            label={`Why ${item.name} needs no putting on again`}
            value={because}
            onChange={setBecause}
          />
          <Spread>
            <PlainButton
              isPending={remove.isPending}
              because={because.trim().length < 3 ? 'Say why: it stands in the log.' : null}
              onPress={() =>
                remove.mutate({
                  params: { jobId: job.id, itemId: item.id },
                  body: { because: because.trim() },
                })
              }
            >
              Take it out
            </PlainButton>
            <TextButton onPress={() => setBecause(null)}>leave it in</TextButton>
          </Spread>
        </Stack>
      )}
      <SaveProblem save={remove} />
    </div>
  );
}

/** A bolt may have a figure; without one it is recorded as tightened by feel, and never with an invented one. */
function ItemToFit({ item, closed }: ItemProps) {
  const { job } = useJob();
  const write = useWriter();
  const [typed, setTyped, clear] = useDraft(`item.${job.id}.${item.id}`, '');
  const save = useJobAction('saveItem', job.id, clear);
  const figure = typed.trim() === '' ? null : readQuantity(typed, 'torque').quantity;
  const isUnread = typed.trim() !== '' && figure === null;
  const { version, kind, name, handling, done } = item;
  const put = (on: boolean) =>
    save.mutate({
      params: { jobId: job.id, itemId: item.id },
      body: {
        version,
        kind,
        name,
        handling,
        done: on,
        torque_Nm: on ? (figure?.value_SI ?? null) : null,
        typed: on ? (figure?.typed ?? '') : '',
      },
    });
  return (
    <Stack $gap={4}>
      {isTightened(kind) && done === null && !closed ? (
        <QuantityField
          label={`Torque of ${name}, where there is a figure`}
          kind="torque"
          placeholder="by feel, no figure"
          text={typed}
          onText={setTyped}
        />
      ) : null}
      {kind === 'nipple' ? <ScrewLengths item={item} closed={closed} /> : null}
      <Tick isSelected={done !== null} isDisabled={closed || save.isPending || isUnread} onChange={put}>
        {name}: {handling === 'replace' ? 'the new one is on' : 'on again'}
        {done && isTightened(kind)
          ? `, ${done.torque_Nm === null ? 'by feel, no figure' : write.torque(done.torque_Nm)}`
          : ''}
      </Tick>
      <SaveProblem save={save} />
    </Stack>
  );
}

/** Bleed screws look alike and are not: what came out here, and what goes in. */
function ScrewLengths({ item: { id, name }, closed }: ItemProps) {
  const detail = useJob();
  const say = useJobAction('sayFitFact', detail.job.id);
  const known = factOf(detail, 'bleedScrew', id) ?? { out_m: null, in_m: null };
  const set = (change: Partial<typeof known>) =>
    say.mutate({
      params: { jobId: detail.job.id },
      body: { id: newId(), said: { kind: 'bleedScrew', subjectId: id, value: { ...known, ...change } } },
    });
  return (
    <>
      {closed ? null : (
        <Beside>
          <QuantityEntry
            label={`${name}: length of the screw that came out`}
            value_SI={known.out_m}
            mayBeEmpty
            onValue={(out_m) => set({ out_m })}
          />
          <QuantityEntry
            label={`${name}: length of the one that goes in`}
            value_SI={known.in_m}
            mayBeEmpty
            onValue={(in_m) => set({ in_m })}
          />
        </Beside>
      )}
      <Cautions cautions={screwCautions(detail, id)} />
      <SaveProblem save={say} />
    </>
  );
}

function NewItem() {
  const { job } = useJob();
  const [kind, setKind] = useState<ItemKind>('bracket');
  const [handling, setHandling] = useState<JobItem['handling']>('refit');
  const [name, setName, clear] = useDraft(`new-item.${job.id}`, '');
  const [id, setId] = useState(newId);
  const save = useJobAction('saveItem', job.id, () => {
    clear();
    setId(newId());
  });
  return (
    <Stack $gap={6}>
      <TextField label="Another one: where it is" value={name} onChange={setName} />
      <Beside>
        <Pick
          label="What it is"
          value={kind}
          options={ITEM_KINDS.map((value) => ({ value, text: ITEM_NAMES[value] }))}
          onChange={(next) => setKind(ITEM_KINDS.find((one) => one === next) ?? 'bracket')}
        />
        <Pick
          label="What is done with it"
          value={handling}
          options={(['refit', 'replace'] as const).map((value) => ({ value, text: HANDLING[value] }))}
          onChange={(next) => setHandling(next === 'replace' ? 'replace' : 'refit')}
        />
      </Beside>
      <SaveProblem save={save} />
      <div>
        <PlainButton
          isPending={save.isPending}
          because={name.trim() === '' ? 'Say where it is.' : null}
          onPress={() =>
            save.mutate({
              params: { jobId: job.id, itemId: id },
              body: { version: null, kind, name: name.trim(), handling, done: false },
            })
          }
        >
          Note it
        </PlainButton>
      </div>
    </Stack>
  );
}
