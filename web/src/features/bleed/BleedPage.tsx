/** Bleeding at the wheel: one nipple, one count, one big target under the thumb, undo beside it. */
import type { JobDetail } from '@zephyrcombe/contract';
import { circuitOfPart, isClosed, namesInLine, partsOf } from '@zephyrcombe/contract';
import {
  airWentIn,
  alsoFed,
  bubbleCautions,
  caughtGuard,
  factOf,
  nipplesInOrder,
  nippleWayCautions,
  orderCautions,
  padCautions,
  reservoirGuard,
  strokeGate,
} from '@zephyrcombe/workshop';
import { OUTFLOW_NAMES, problemText, vehicleWords } from '@zephyrcombe/messages';
import type { BleedEventKind, Outflow } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import { isByStrokes, OUTFLOWS } from '@zephyrcombe/core';
import { useNavigate, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { newestEvent } from '../../api/optimistic.ts';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { ClickSwitch } from '../../app/ClickSwitch.tsx';
import { useCounted } from '../../app/counted.ts';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Columns, Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack, Unseen } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { FLUID, FONT, PHONE, SIZE, colour } from '../../design/tokens.ts';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';
import { Obstacles } from '../job/Obstacles.tsx';
import { notedShade } from '../job/jobView.ts';
import type { NippleView } from './bleedView.ts';
import { Hand } from '../fit/Hand.ts';
import { CaughtCounter } from './CaughtCounter.tsx';
import { FeelSheet } from './FeelSheet.tsx';
import { Happened } from './Happened.tsx';
import { IgnitionPicks } from './IgnitionPicks.tsx';
import { OrderAsked } from './OrderSheet.tsx';
import { WaySheet } from './WaySheet.tsx';
import { ForetoldSheet } from './ForetoldSheet.tsx';
import { LedStates, ledLabel, useLedStroke } from './LedStroke.tsx';
import { NippleTop } from './NippleTop.tsx';
import { nippleView } from './bleedView.ts';

const Turn = styled.button<{ $current: boolean }>`
  width: 100%;
  background: none;
  border: 0;
  text-align: left;
  min-height: 48px;
  cursor: pointer;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 12px;
  padding: 4px 8px;
  box-shadow: ${({ $current }) => ($current ? `inset 4px 0 0 ${colour('brass')}` : 'none')};
`;

const Layout = styled(Columns)`
  ${PHONE} {
    /* The counter comes first at the wheel. */
    > :first-child {
      order: 2;
    }
  }
`;

export function BleedPage() {
  const detail = useJob();
  const write = useWriter();
  const [search, setSearch] = useSearchParams();
  // Here and not at the counter: what failed is still said when the next nipple is shown.
  const add = useJobAction('addBleedEvent', detail.job.id);
  const order = nipplesInOrder(detail);
  if (!order.ok) return <Notice severity="stop" title={problemText(order.problem, write)} />;
  const views = order.value.map((turn) => nippleView(detail, turn));
  const onChosen = views.filter(
    ({ turn }) => circuitOfPart(detail, turn.nippleId)?.circuit.id === search.get('circuit'),
  );
  const current =
    views.find((view) => view.turn.nippleId === search.get('nipple')) ??
    onChosen.find((view) => !view.clear) ??
    onChosen[0] ??
    views.find((view) => !view.clear) ??
    views[0];
  if (!current)
    return <Fine>This circuit has no bleed nipple: bleed it at its joints, by the maker’s manual.</Fine>;
  const pressed = circuitOfPart(detail, current.turn.nippleId)?.circuit;
  const isMaker = (factOf(detail, 'nippleOrder', detail.vehicle.id) ?? null) !== null;
  const choose = (nippleId: string) => setSearch({ nipple: nippleId }, { replace: true });
  return (
    <Layout $left="1fr" $right="420px">
      <Stack $gap={16}>
        <Sheet>
          <Spread>
            <SheetTitle>
              {isMaker ? 'Nipples, in the maker’s order' : 'Nipples, farthest from the master first'}
            </SheetTitle>
            <Working of="nipple order" result={order} />
          </Spread>
          <Rows>
            {views.map((view) => (
              <div key={view.turn.nippleId} style={{ padding: 0 }}>
                <Turn
                  type="button"
                  $current={view === current}
                  aria-current={view === current ? 'step' : undefined}
                  onClick={() => choose(view.turn.nippleId)}
                >
                  <span>
                    {view.name} {view.clear ? <span aria-label="clear">✓</span> : null}
                  </span>
                  <Label>{movedText(view, write)}</Label>
                  <Label>
                    {detail.circuits.length > 1
                      ? `${circuitOfPart(detail, view.turn.nippleId)?.circuit.name ?? ''}, `
                      : ''}
                    {write.length(view.turn.path_m)} of hose from the master
                  </Label>
                  <Label>
                    {view.lastOutflow ? `last: ${OUTFLOW_NAMES[view.lastOutflow as Outflow]}` : ''}
                  </Label>
                </Turn>
              </div>
            ))}
          </Rows>
          <Cautions cautions={orderCautions(detail)} />
          <OrderAsked order={views.map(({ turn }) => turn.nippleId)} />
          <Fine style={{ marginTop: 8 }}>
            {isMaker ? '' : 'The vehicle maker’s order beats this one. '}Flow at every nipple first, then one
            after another; the master’s own nipple before and after the others. Done when the outflow is clear
            and free of bubbles for several strokes and the{' '}
            {vehicleWords(detail.vehicle, partsOf(detail)).control} is firm.
          </Fine>
        </Sheet>
        <Notice severity="note" title="Eyes, gloves, paint">
          <p>
            Fluid squirts from an open reservoir and a cracked nipple. Glasses on, lid loosely on, paint
            covered, water at hand.
          </p>
        </Notice>
        {pressed === undefined ? null : <WaySheet key={`way ${pressed.id}`} circuit={pressed} />}
        {pressed === undefined ? null : <FeelSheet key={pressed.id} circuit={pressed} />}
        {/* Last, so that nothing moves when it comes. */}
        {isClosed(detail.job) ? null : (
          <ForetoldSheet
            detail={detail}
            nippleId={current.turn.nippleId}
            order={views.map(({ turn }) => turn.nippleId)}
          />
        )}
      </Stack>
      <Counter
        key={current.turn.nippleId}
        detail={detail}
        add={add}
        view={current}
        place={views.indexOf(current) + 1}
        total={views.length}
        allClear={views.every((view) => view.clear)}
        onClear={() => (search.size > 0 ? setSearch({}, { replace: true }) : undefined)}
      />
    </Layout>
  );
}

const Count = styled.p`
  font: 650 88px/1 ${FONT.words};
  text-align: center;
  margin: 4px 0 0;
  font-variant-numeric: tabular-nums;
`;

const StrokeButton = styled(PrimaryButton)`
  width: 100%;
  min-height: 112px;
  font-size: ${SIZE.head};
  touch-action: manipulation;
`;

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  button {
    min-height: 64px;
    font-size: ${SIZE.large};
  }
`;

/** The count beside the reservoir, so that the button below both stands on the first screen. */
const Beside = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  align-items: center;
`;

const Outflows = styled.div`
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 6px;
  button {
    padding: 8px 2px 6px;
    min-height: 64px;
    font-size: ${SIZE.small};
    display: grid;
    justify-items: center;
    gap: 4px;
    border-color: ${colour('hairline')};
  }
  button[aria-pressed='true'] {
    border: 2px solid ${colour('action')};
    font-weight: 650;
  }
`;

interface CounterProps {
  readonly detail: JobDetail;
  readonly view: NippleView;
  readonly place: number;
  readonly total: number;
  readonly allClear: boolean;
  readonly add: ReturnType<typeof useJobAction<'addBleedEvent'>>;
  /** The nipple is done: the next open one is shown, as soon as it is pressed and not when the reply comes. */
  readonly onClear: () => void;
}

function Counter({ detail, add, view, place, total, allClear, onClear }: CounterProps) {
  const jobId = detail.job.id;
  const { nippleId } = view.turn;
  const navigate = useNavigate();
  const undo = useJobAction('undoBleedEvent', jobId);
  const counted = useCounted();
  const guard = reservoirGuard(detail, nippleId);
  const circuit = circuitOfPart(detail, nippleId)?.circuit;
  const { control } = vehicleWords(detail.vehicle, circuit ?? partsOf(detail));
  const others = alsoFed(detail, nippleId);
  const gate = strokeGate(detail, nippleId);
  const finished = isClosed(detail.job);
  const params = { jobId, nippleId };
  const said = () => ({ id: newId(), at: new Date().toISOString(), after: newestEvent(detail) });
  const record = (kind: 'stroke' | 'topUp' | 'clear' | 'drewBack' | 'ranDry') => {
    counted.tellCounted();
    add.mutate({ params, body: { ...said(), kind } });
  };
  const way = circuit ? (factOf(detail, 'bleedWay', circuit.id) ?? null) : null;
  const isCaught = way !== null && !isByStrokes(way.method);
  const caught = caughtGuard(detail, nippleId);
  const level = levelOf(guard, isCaught ? caught : null);
  const host = partsOf(detail).components.find(({ id }) => id === nippleId)?.attachedTo;
  const led = useLedStroke(() => record('stroke'));
  const last = view.events.at(-1);
  const shown = guard?.ok ? guard.value.strokesBeforeMinimum - guard.value.strokesLeft : view.strokes;
  const empty = guard?.ok === true && guard.value.strokesLeft <= 0;

  return (
    <Stack $gap={14}>
      <div>
        <Spread>
          <Label>
            Nipple {place} of {total}
            {detail.circuits.length > 1 && circuit ? `, ${circuit.name.toLowerCase()}` : ''}
          </Label>
          {finished ? null : <ClickSwitch counted={counted} />}
        </Spread>
        <h1 style={{ fontSize: 27 }}>{view.name}</h1>
      </div>
      <Beside>
        <div>
          <Count aria-live="polite" data-testid="strokes">
            {isCaught ? Math.round((caught?.caught_m3 ?? 0) * 1e6) : shown}
          </Count>
          <Fine style={{ textAlign: 'center' }}>
            {isCaught ? 'mL caught' : 'strokes'} since the last top-up <Unseen>of the reservoir</Unseen>{' '}
            {guard?.ok ? <Working of="strokes left" result={guard} /> : null}
          </Fine>
        </div>
        {level ? (
          <ReservoirDrawing {...level} shade={notedShade(detail)} />
        ) : (
          <Fine>
            Master bore, {control} travel or reservoir volume are not known: watch the level yourself.
          </Fine>
        )}
      </Beside>
      {others.length > 0 ? (
        <Fine>This reservoir also feeds {namesInLine(others).toLowerCase()}: one level, one count.</Fine>
      ) : null}
      {guard?.ok ? <Cautions cautions={guard.cautions} /> : null}
      {circuit ? <Cautions cautions={bubbleCautions(detail, circuit)} /> : null}
      <Cautions cautions={nippleWayCautions(detail, nippleId)} />
      {host ? <Cautions cautions={padCautions(detail, host)} /> : null}
      <SaveProblem save={add} />
      <SaveProblem save={undo} />
      {finished ? null : (
        <>
          <Fine>
            {isCaught
              ? 'Close it before anything comes off the nipple.'
              : `Close before you let the ${control} go.`}
          </Fine>
          <Obstacles
            obstacles={[...gate, ...airWentIn(detail, nippleId).filter(({ code }) => code === 'ranDry')]}
          />
          {led.isOn ? <LedStates led={led} control={control} /> : null}
          <Hand>
            {isCaught ? (
              <CaughtCounter
                because={
                  gate.length > 0
                    ? 'A joint stands open.'
                    : level?.share === 0
                      ? 'The reservoir stands at its minimum: more could draw in air.'
                      : null
                }
                onCaught={(volume_m3) => {
                  counted.tellCounted();
                  add.mutate({ params, body: { ...said(), kind: 'volume', volume_m3 } });
                }}
              />
            ) : (
              <StrokeButton
                because={
                  gate.length > 0
                    ? 'A joint stands open.'
                    : empty
                      ? 'The reservoir stands at its minimum: the next stroke could draw in air.'
                      : null
                }
                onPress={() => (led.isOn ? led.press() : record('stroke'))}
              >
                {empty ? 'Top up first' : led.isOn ? ledLabel(led, control) : 'Stroke'}
              </StrokeButton>
            )}
            <Two>
              <PlainButton onPress={() => record('topUp')}>Topped up</PlainButton>
              <PlainButton
                isQuiet
                because={
                  view.clear
                    ? 'This nipple has run clear.'
                    : view.strokes === 0 && view.caught_m3 === 0
                      ? 'Nothing has been counted here yet.'
                      : airWentIn(detail, nippleId).length > 0
                        ? 'Air went in here: not clear yet.'
                        : null
                }
                onPress={() => {
                  record('clear');
                  onClear();
                }}
              >
                {place < total ? 'Clear: next' : 'Clear: done'}
              </PlainButton>
            </Two>
          </Hand>
          <div style={{ textAlign: 'center' }}>
            <TextButton
              isPending={undo.isPending}
              isQuiet
              because={
                last === undefined
                  ? 'Nothing has been counted here yet.'
                  : last.kind === 'drewBack' || last.kind === 'ranDry'
                    ? 'That air went in is not taken back.'
                    : null
              }
              onPress={() =>
                last &&
                undo.mutate({
                  params: { ...params, eventId: last.id },
                  query: { after: newestEvent(detail) },
                })
              }
            >
              undo last {last ? EVENT_NAMES[last.kind] : isCaught ? 'amount' : 'stroke'}
            </TextButton>{' '}
            {isCaught ? null : (
              <TextButton aria-pressed={led.isOn} onPress={led.turn}>
                {led.isOn ? 'count whole strokes' : 'lead each stroke'}
              </TextButton>
            )}{' '}
            <Happened nippleId={nippleId} onEvent={record} />
          </div>
          <div>
            <Label>What came out</Label>
            <Outflows>
              {OUTFLOWS.map((outflow) => (
                <PlainButton
                  key={outflow}
                  aria-pressed={view.lastOutflow === outflow}
                  onPress={() => add.mutate({ params, body: { ...said(), kind: 'outflow', outflow } })}
                >
                  <OutflowMark outflow={outflow} />
                  {OUTFLOW_NAMES[outflow]}
                </PlainButton>
              ))}
            </Outflows>
          </div>
          <NippleTop detail={detail} nippleId={nippleId} />
          <IgnitionPicks nippleId={nippleId} />
          {allClear ? (
            <PrimaryButton onPress={() => void navigate(`/jobs/${jobId}/hand-over`)}>
              All nipples clear: go to Hand over
            </PrimaryButton>
          ) : null}
        </>
      )}
    </Stack>
  );
}

interface Level {
  /** Of what there is between the marks, 0…1. */
  readonly share: number;
  readonly text: string;
}

/** By strokes, or by what was caught where the way has none; null where the reservoir is not known. */
function levelOf(
  guard: ReturnType<typeof reservoirGuard>,
  caught: ReturnType<typeof caughtGuard>,
): Level | null {
  if (caught) {
    const { caught_m3, usable_m3, isDry } = caught;
    if (isDry) return { share: 0, text: 'empty: top up first' };
    if (usable_m3 === null) return null;
    const byStrokes = guard?.ok ? guard.value.strokesLeft / Math.max(1, guard.value.strokesBeforeMinimum) : 1;
    const share = Math.max(0, Math.min(1 - caught_m3 / usable_m3, byStrokes));
    return { share, text: `about ${Math.round(share * usable_m3 * 1e6)} mL left` };
  }
  if (!guard?.ok) return null;
  const left = Math.max(0, guard.value.strokesLeft);
  return {
    share: guard.value.strokesBeforeMinimum > 0 ? left / guard.value.strokesBeforeMinimum : 0,
    text: left === 1 ? 'about 1 stroke left' : `about ${left} strokes left`,
  };
}

const EVENT_NAMES: Readonly<Record<BleedEventKind, string>> = {
  stroke: 'stroke',
  volume: 'amount',
  topUp: 'top-up',
  outflow: 'outflow',
  clear: 'clear',
  drewBack: 'draw-back',
  ranDry: 'dry reservoir',
};

/** Strokes, and what was caught without them. */
const movedText = ({ strokes, caught_m3 }: NippleView, write: Writer): string =>
  [
    ...(strokes > 0 || caught_m3 === 0 ? [strokes === 1 ? '1 stroke' : `${strokes} strokes`] : []),
    ...(caught_m3 > 0 ? [write.volume(caught_m3)] : []),
  ].join(', ');

/** The reservoir with its level as the count says, between full and minimum. */
interface ReservoirDrawingProps extends Level {
  readonly shade: keyof typeof FLUID | null;
}

function ReservoirDrawing({ share, text, shade }: ReservoirDrawingProps) {
  const [top, minimum, bottom] = [20, 56, 74];
  const level = minimum - (minimum - top) * share;
  return (
    <svg width="100%" viewBox="0 0 180 98" role="img" aria-label={`Reservoir: ${text}`}>
      <rect
        x="4"
        y={level}
        width="172"
        height={bottom - level}
        fill={shade === null ? colour('hairlineSoft') : FLUID[shade]}
        opacity="0.75"
      />
      <rect
        x="4"
        y="2"
        width="172"
        height={bottom - 2}
        fill="none"
        stroke={colour('ink')}
        strokeWidth="1.5"
      />
      <g strokeDasharray="6 4">
        <line x1="4" x2="176" y1={top} y2={top} stroke={colour('inkSoft')} />
        <line x1="4" x2="176" y1={minimum} y2={minimum} stroke={colour('danger')} />
      </g>
      <text x="12" y={top - 4} fontSize="12" fill={colour('inkSoft')}>
        max
      </text>
      <text
        x="12"
        y={bottom - 4}
        fontSize="12"
        fontWeight="650"
        fill={colour('ink')}
        stroke={colour('paper')}
        strokeWidth="4"
        paintOrder="stroke"
      >
        min
      </text>
      <text x="90" y="92" fontSize="13" textAnchor="middle" fill={colour('ink')}>
        {text}
      </text>
    </svg>
  );
}

function OutflowMark({ outflow }: { readonly outflow: Outflow }) {
  return (
    <svg width="44" height="20" viewBox="0 0 44 20" aria-hidden="true">
      {outflow === 'bubbles' ? (
        <g fill="none" stroke={colour('ink')} strokeWidth="1.5">
          <circle cx="17" cy="8" r="6" />
          <circle cx="29" cy="14" r="4" />
        </g>
      ) : (
        <rect x="1" y="1" width="42" height="18" fill={FLUID[outflow]} stroke={colour('inkSoft')} />
      )}
    </svg>
  );
}
