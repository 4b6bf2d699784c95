/** A hose out of its box beside the one on the vehicle and the one that was ordered: item by item, before anything is opened. */
import type { HoseOfJob, KitCheck } from '@zephyrcombe/contract';
import { hoseOfJob, isClosed, kitOrderOf, may, orderDatumOf } from '@zephyrcombe/contract';
import {
  clockingLabel,
  datumName,
  KIT_ITEM_NAMES,
  KIT_VERDICT_NAMES,
  kitReasonText,
  whoMay,
} from '@zephyrcombe/messages';
import { boxFacts, boxStanding, digestOf } from '@zephyrcombe/workshop';
import type { KitEnd, KitFound, KitItem, KitOrder, KitVerdict } from '@zephyrcombe/core';
import { EXAMPLE_BENDS_deg, judgeKit, KIT_VERDICTS } from '@zephyrcombe/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Link } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import {
  Beside,
  Columns,
  Fine,
  Head,
  Hero,
  Label,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { HosePicker } from '../job/HosePicker.tsx';
import { PartsSteps } from '../job/PartsSteps.tsx';
import { CLOSED, useJob, useSelection } from '../job/JobContext.ts';
import { selectedHose } from '../job/jobView.ts';
import { inDatum } from '../measure/measureView.ts';
import { useKeptRoute } from '../route/job/HoseRoute.tsx';

const UNSEEN: KitFound = {
  length_m: null,
  endA: null,
  endB: null,
  clocking_rad: null,
  bolts: null,
  washers: null,
  marking: null,
  dateCode: null,
  boreClear: null,
};

export function KitPage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const hose = selectedHose(detail, hoseId, jointId);
  const own = hose && hoseOfJob(detail, hose.hoseId);
  if (!own) return <Fine>No hose is in the scope of this job.</Fine>;
  return <Box key={own.hose.hoseId} own={own} />;
}

function Box({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const { hose } = own;
  const route = useKeptRoute(detail.job.vehicleId, hose.hoseId, detail.job.id);
  // The route counts between the sealing points, the box in the datum of the order.
  const long = route.window ? inDatum(hose, route.window.long_m, orderDatumOf(hose)) : null;
  const order = kitOrderOf(detail, own, long?.ok ? long.value.length_m : null);
  const picker = <HosePicker current={hose} isDone={({ kit }) => (kit?.decided ?? null) !== null} />;
  if (order === null)
    return (
      <Stack $gap={16}>
        {picker}
        <Notice severity="note" title="Nothing to compare with yet">
          <p>
            This hose has no order length.{' '}
            <Link to={`/jobs/${detail.job.id}/measure?hose=${hose.hoseId}`}>Measure it</Link> first.
          </p>
        </Notice>
      </Stack>
    );
  return <Check own={own} order={order} picker={picker} />;
}

interface CheckProps {
  readonly own: HoseOfJob;
  readonly order: KitOrder;
  readonly picker: ReactNode;
}

function Check({ own, order, picker }: CheckProps) {
  const detail = useJob();
  const write = useWriter();
  const { hose, fitted } = own;
  const [found, setFound, clear] = useDraft<KitFound>(
    `kit.${detail.job.id}.${hose.hoseId}`,
    hose.kit?.found ?? UNSEEN,
  );
  const save = useJobAction('checkKit', detail.job.id, clear);
  const finished = isClosed(detail.job);
  const parcel = detail.job.supply?.parcel?.items.find(({ hoseId }) => hoseId === hose.hoseId);
  const judged = judgeKit(order, found);
  const facts = boxFacts(detail, own, found);
  const standing = boxStanding(detail, own);
  const look = (next: Partial<KitFound>) => setFound({ ...found, ...next });
  const send = (decided: KitCheck['decided']) =>
    save.mutate({
      params: { jobId: detail.job.id, hoseId: hose.hoseId },
      body: { version: hose.version, found, decided, seen: digestOf(facts) },
    });
  return (
    <Columns>
      <Stack $gap={16}>
        <PartsSteps detail={detail} at="box" />
        <Head>Kit check-in: {fitted.name.toLowerCase()}</Head>
        {picker}
        <Sheet aria-label="What is in the box">
          <SheetTitle>What is in the box</SheetTitle>
          {parcel && !finished ? (
            <PlainButton onPress={() => setFound(parcel.found)} style={{ marginBottom: 8 }}>
              Measure the simulated box: fill in what tape and calliper find
            </PlainButton>
          ) : null}
          <Fine>
            Measure and look; nothing is taken from the delivery note. What was typed stays on this device
            until it is kept.
          </Fine>
          <FoundItems
            own={own}
            order={order}
            found={found}
            judged={judged}
            finished={finished}
            onFound={look}
          />
        </Sheet>
      </Stack>
      <Stack $gap={14}>
        <FoundVerdict judged={judged} />
        <ChangedSince
          approval={hose.kit?.accepted ?? null}
          standing={standing}
          title="Changed since it was accepted"
          did="accepted"
          until="Until somebody decides anew it is not fitted."
        />
        <SaveProblem save={save} seen={facts} onTakeTheirs={clear} />
        {finished ? null : (
          <Decision
            judged={judged.verdict}
            isPending={save.isPending}
            isOpen={judged.open.length > 0}
            onDecide={send}
          />
        )}
        {hose.kit ? (
          <Fine>
            {hose.kit.decided
              ? `Decided: ${KIT_VERDICT_NAMES[hose.kit.decided.verdict]}${hose.kit.decided.because ? ` (${hose.kit.decided.because})` : ''}, `
              : 'Looked at, not decided, '}
            {hose.kit.by}, {write.date(hose.kit.at)}.
          </Fine>
        ) : null}
        <Link to={`/jobs/${detail.job.id}/specify?hose=${hose.hoseId}`}>Back to Specify</Link>
        <Link to={`/jobs/${detail.job.id}/order`}>Order sheet</Link>
      </Stack>
    </Columns>
  );
}

interface FoundItemsProps {
  readonly own: HoseOfJob;
  readonly order: KitOrder;
  readonly found: KitFound;
  readonly judged: ReturnType<typeof judgeKit>;
  readonly finished: boolean;
  readonly onFound: (next: Partial<KitFound>) => void;
}

/** Item by item: what was ordered, what the old hose has, what is found. */
function FoundItems({
  own: { hose, fitted },
  order,
  found,
  judged,
  finished,
  onFound: look,
}: FoundItemsProps) {
  const write = useWriter();
  const datum = datumName(orderDatumOf(hose));
  const old = inDatum(fitted, fitted.length_m, orderDatumOf(hose));
  const item = (which: KitItem, wanted: string, was: string | null, children: ReactNode) => (
    <Item key={which} which={which} judged={judged} wanted={wanted} was={was}>
      {children}
    </Item>
  );
  const endText = (end: Pick<KitEnd, 'family' | 'neckAngle_rad'>) =>
    `${end.family === 'banjo' ? 'banjo' : 'threaded'}, ${end.neckAngle_rad === 0 ? 'straight' : write.angle(end.neckAngle_rad)}`;
  return (
    <Rows style={{ marginTop: 10 }}>
      {item(
        'length',
        `${write.length(order.length_m)} ± ${write.length(order.tolerance_m)}, ${datum}`,
        old.ok ? write.length(old.value.length_m) : null,
        <QuantityEntry
          label={`Length found, ${datum}`}
          value_SI={found.length_m}
          onValue={(length_m) => look({ length_m })}
          mayBeEmpty
        />,
      )}
      {(['endA', 'endB'] as const).map((end) =>
        item(
          end,
          `${endText(order[end])}${order[end].eyeBore_m === null ? '' : `, eye ${write.fineLength(order[end].eyeBore_m)}`}${order[end].thread === null ? '' : `, ${order[end].thread}`}`,
          endText(fitted[end]),
          <EndFound
            letter={end === 'endA' ? 'A' : 'B'}
            wanted={order[end]}
            found={found[end]}
            finished={finished}
            onFound={(next) => look({ [end]: next })}
          />,
        ),
      )}
      {order.clocking_rad === null
        ? null
        : item(
            'clocking',
            write.angle(order.clocking_rad),
            fitted.clocking_rad === null ? null : write.angle(fitted.clocking_rad),
            <QuantityEntry
              label={`${clockingLabel(order.endA, order.endB)}, as found`}
              kind="angle"
              allowZero
              allowNegative
              value_SI={found.clocking_rad}
              onValue={(clocking_rad) => look({ clocking_rad })}
              mayBeEmpty
            />,
          )}
      {(['bolts', 'washers'] as const).map((which) =>
        item(
          which,
          String(order[which]),
          null,
          <CountFound
            label={`${capital(KIT_ITEM_NAMES[which])} counted`}
            value={found[which]}
            finished={finished}
            onValue={(value) => look({ [which]: value })}
          />,
        ),
      )}
      {item(
        'marking',
        order.use === 'road' ? 'what its standard asks' : 'none asked',
        null,
        <SaidFound
          label="Printed along it"
          none="nothing is printed"
          value={found.marking}
          finished={finished}
          onValue={(marking) => look({ marking })}
        />,
      )}
      {item(
        'dateCode',
        'any, not old',
        fitted.madeOn === null ? null : write.date(fitted.madeOn),
        <SaidFound
          label="Date on it"
          none="no date"
          value={found.dateCode}
          finished={finished}
          onValue={(dateCode) => look({ dateCode })}
        />,
      )}
      {item(
        'bore',
        'clear from end to end',
        null,
        <ChoiceRow
          label="Looked through, blown through"
          value={found.boreClear === null ? 'open' : found.boreClear ? 'clear' : 'blocked'}
          options={[
            { value: 'open', text: 'not yet' },
            { value: 'clear', text: 'clear' },
            { value: 'blocked', text: 'not clear' },
          ]}
          onChange={(text) => look({ boreClear: text === 'open' ? null : text === 'clear' })}
        />,
      )}
    </Rows>
  );
}

function FoundVerdict({ judged }: Pick<FoundItemsProps, 'judged'>) {
  return (
    <div>
      <Label>What is found says</Label>
      <Hero data-testid="kit-verdict">
        {judged.verdict === null ? <span aria-label="not known yet">–</span> : VERDICT_HEADS[judged.verdict]}
      </Hero>
      {judged.open.length > 0 ? (
        <Fine>Not looked at: {judged.open.map((which) => KIT_ITEM_NAMES[which]).join(', ')}.</Fine>
      ) : null}
    </div>
  );
}

const capital = (text: string) => text.replace(/^./, (first) => first.toUpperCase());

const VERDICT_HEADS: Readonly<Record<KitVerdict, string>> = {
  accept: 'Accept',
  adapt: 'Adapt',
  return: 'Return',
};

interface ItemProps {
  readonly which: KitItem;
  readonly judged: ReturnType<typeof judgeKit>;
  readonly wanted: string;
  readonly was: string | null;
  readonly children: ReactNode;
}

function Item({ which, judged, wanted, was, children }: ItemProps) {
  const write = useWriter();
  const finding = judged.findings.find(({ item }) => item === which);
  const isOpen = judged.open.includes(which);
  return (
    <div role="group" aria-label={KIT_ITEM_NAMES[which]} data-item={which}>
      <Spread>
        <strong>{capital(KIT_ITEM_NAMES[which])}</strong>
        <Fine>
          {was === null ? '' : `old hose: ${was} · `}ordered: {wanted}
        </Fine>
      </Spread>
      <div style={{ marginTop: 6 }}>{children}</div>
      {isOpen || !finding || finding.verdict === 'accept' ? null : (
        <Notice
          severity={finding.verdict === 'return' ? 'stop' : 'warn'}
          title={`${VERDICT_HEADS[finding.verdict]}: ${KIT_ITEM_NAMES[which]}`}
        >
          <p>{capital(kitReasonText(finding.reason, write))}.</p>
        </Notice>
      )}
    </div>
  );
}

interface EndFoundProps {
  readonly letter: 'A' | 'B';
  readonly wanted: KitOrder['endA'];
  readonly found: KitEnd | null;
  readonly finished: boolean;
  readonly onFound: (found: KitEnd | null) => void;
}

const degrees = (angle_rad: number) => Math.round((angle_rad * 180) / Math.PI);

/** Which end it is, by what was held against the template; its eye and thread by the calliper. */
function EndFound({ letter, wanted, found, finished, onFound }: EndFoundProps) {
  const value = found === null ? 'open' : `${found.family} ${degrees(found.neckAngle_rad)}`;
  return (
    <Beside>
      <Pick
        label={`End ${letter} found`}
        value={value}
        isDisabled={finished}
        options={[
          { value: 'open', text: 'not looked at' },
          ...EXAMPLE_BENDS_deg.map((bend) => ({
            value: `banjo ${bend}`,
            text: bend === 0 ? 'banjo, straight' : `banjo, ${bend}°`,
          })),
          ...EXAMPLE_BENDS_deg.map((bend) => ({
            value: `threaded ${bend}`,
            text: bend === 0 ? 'threaded, straight' : `threaded, ${bend}°`,
          })),
        ]}
        onChange={(text) => {
          const [family, bend] = text.split(' ');
          if (family !== 'banjo' && family !== 'threaded') onFound(null);
          else
            onFound({
              family,
              neckAngle_rad: (Number(bend) * Math.PI) / 180,
              eyeBore_m: family === 'banjo' ? (found?.eyeBore_m ?? null) : null,
              thread: found?.thread ?? null,
            });
        }}
      />
      {found === null ? null : (
        <>
          {found.family === 'banjo' ? (
            <QuantityEntry
              label={`Eye ${letter}, hole`}
              value_SI={found.eyeBore_m}
              onValue={(eyeBore_m) => onFound({ ...found, eyeBore_m })}
              mayBeEmpty
            />
          ) : null}
          <TextField
            label={found.family === 'banjo' ? `Bolt for ${letter}, thread` : `Thread of end ${letter}`}
            value={found.thread ?? ''}
            isDisabled={finished}
            onChange={(thread) => onFound({ ...found, thread: thread.trim() === '' ? null : thread })}
          />
        </>
      )}
      {found !== null && wanted.thread !== null && found.thread === null ? (
        <Fine>Turn a gauge bolt or the old bolt in by hand, or measure with the thread finder.</Fine>
      ) : null}
    </Beside>
  );
}

interface CountFoundProps {
  readonly label: string;
  readonly value: number | null;
  readonly finished: boolean;
  readonly onValue: (value: number | null) => void;
}

function CountFound({ label, value, finished, onValue }: CountFoundProps) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const read = (typed: string) => (/^\d{1,2}$/.test(typed.trim()) ? Number(typed) : null);
  return (
    <TextField
      label={label}
      value={text}
      isDisabled={finished}
      error={text.trim() === '' || read(text) !== null ? null : 'A whole number.'}
      onChange={(typed) => {
        setText(typed);
        onValue(read(typed));
      }}
    />
  );
}

interface SaidFoundProps {
  readonly label: string;
  readonly none: string;
  /** Null: not looked at; empty: there is none. */
  readonly value: string | null;
  readonly finished: boolean;
  readonly onValue: (value: string | null) => void;
}

function SaidFound({ label, none, value, finished, onValue }: SaidFoundProps) {
  return (
    <Beside>
      <TextField
        label={label}
        value={value ?? ''}
        isDisabled={finished}
        onChange={(text) => onValue(text === '' ? null : text)}
      />
      <PlainButton
        because={finished ? CLOSED : null}
        aria-pressed={value === ''}
        onPress={() => onValue(value === '' ? null : '')}
      >
        {value === '' ? `${none} ✓` : none}
      </PlainButton>
    </Beside>
  );
}

interface DecisionProps {
  readonly judged: KitVerdict | null;
  readonly isOpen: boolean;
  readonly isPending: boolean;
  readonly onDecide: (decided: KitCheck['decided']) => void;
}

function Decision({ judged, isOpen, isPending, onDecide }: DecisionProps) {
  const [because, setBecause] = useState('');
  const person = usePerson();
  const refusal = (verdict: KitVerdict) =>
    verdict === 'return' || may(person, 'approve') ? null : whoMay('approve');
  const isMilder = (verdict: KitVerdict) =>
    judged !== null && KIT_VERDICTS.indexOf(verdict) < KIT_VERDICTS.indexOf(judged);
  return (
    <Stack $gap={10}>
      <TextField label="Why, or what is done about it" multiline value={because} onChange={setBecause} />
      {judged === null ? null : (
        <PrimaryButton
          isPending={isPending}
          because={refusal(judged)}
          onPress={() => onDecide({ verdict: judged, because })}
        >
          {`${VERDICT_HEADS[judged]} this hose`}
        </PrimaryButton>
      )}
      {KIT_VERDICTS.filter((verdict) => verdict !== judged && (verdict === 'return' || !isOpen)).map(
        (verdict) => (
          <PlainButton
            key={verdict}
            isPending={isPending}
            because={
              refusal(verdict) ??
              (isMilder(verdict) && because.trim().length < 5
                ? 'Milder than what was found: say why above first.'
                : null)
            }
            onPress={() => onDecide({ verdict, because })}
          >
            {`${VERDICT_HEADS[verdict]} it all the same`}
          </PlainButton>
        ),
      )}
      <PlainButton isPending={isPending} onPress={() => onDecide(null)}>
        Keep what was found, decide later
      </PlainButton>
    </Stack>
  );
}
