/** What is said of one hose beside its drawings: the length on the order, its ends, the cautions, and that it is specified. */
import type { HoseOfJob, JobHose } from '@zephyrcombe/contract';
import { isClosed, may, orderDatumOf, partsOf } from '@zephyrcombe/contract';
import type { Facts } from '@zephyrcombe/workshop';
import {
  digestOf,
  isLineMade,
  lengthStanding,
  specificationFacts,
  specificationStanding,
} from '@zephyrcombe/workshop';
import { clockingLabel, datumName, whoMay } from '@zephyrcombe/messages';
import { EXAMPLE_BENDS_deg, exampleEnd, inOrder, needsClocking } from '@zephyrcombe/core';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { isSending } from '../../api/isSending.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Hero, Label, Spread, Stack } from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { afterSpecify } from '../job/PartsSteps.tsx';
import { useJob } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { jointCautions } from '../job/jobView.ts';
import { inDatum } from '../measure/measureView.ts';
import { cutListAddress } from '../cut-list/cutState.ts';
import { templateAddress } from '../templates/templateState.ts';
import type { KeptRoute } from '../route/job/HoseRoute.tsx';
import { ClockingView } from '../../drawing/ClockingView.tsx';
import { RouteOfBuild } from './RouteOfBuild.tsx';
import type { BuildAtHand } from './useBuild.ts';
import { TakeOffs } from '../known/TakeOffs.tsx';
import { useKnownEnds } from '../known/useKnownEnds.ts';

const degrees = (value_rad: number) => Math.round((value_rad * 180) / Math.PI);

/** A small drawing and the field it shows, in one row where there is room. */
const Beside = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  > :last-child {
    flex: 1 1 170px;
  }
`;

const useEditHose = (jobId: string, onSent: Parameters<typeof useJobAction<'editJobHose'>>[2]) =>
  useJobAction('editJobHose', jobId, onSent);
type Edit = ReturnType<typeof useEditHose>;

interface HoseColumnProps {
  readonly own: HoseOfJob;
  readonly views: readonly JointView[];
  readonly at: BuildAtHand;
  readonly route: KeptRoute;
}

export function HoseColumn({ own, views, at, route }: HoseColumnProps) {
  const { hose } = own;
  const detail = useJob();
  const finished = isClosed(detail.job);
  const clocking = useClocking(detail.job.id, hose);
  const edit = useEditHose(detail.job.id, ({ body }) => {
    if (body?.clocking_rad !== undefined) clocking.clear();
    if (body?.build !== undefined) at.clear();
  });
  const cautions = [
    ...at.cautions,
    ...views.flatMap((view) =>
      jointCautions(view).map((caution) => ({ ...caution, subject: view.joint.name })),
    ),
  ];
  const seen = specificationFacts(detail, {
    ...own,
    hose: { ...hose, build: { ...at.build, along: inOrder(at.build.along) } },
  });
  return (
    <Stack $gap={14}>
      <LengthOnOrder own={own} />
      {(['endA', 'endB'] as const).map((end, index) => (
        <EndOfHose key={end} hose={hose} end={end} at={views[index]} edit={edit} finished={finished} />
      ))}
      {needsClocking(hose.endA, hose.endB) ? <Clocking hose={hose} typing={clocking} edit={edit} /> : null}
      <RouteOfBuild own={own} build={at.build} route={route} />
      <ChangedSince
        approval={hose.specification}
        standing={specificationStanding(detail, own)}
        title="Changed since it was specified"
        did="specified"
        until="Until it is specified again it is not fitted."
      />
      <ChangedSince
        approval={hose.lengthTaken}
        standing={lengthStanding(detail, hose)}
        title="Changed since its length was taken"
        did="took"
        until="Take the length again in Measure before it is specified."
      />
      <Cautions cautions={cautions} answering={edit.error?.code === 'stop-not-answered'} />
      <SaveProblem
        save={edit}
        seen={seen}
        onTakeTheirs={() => {
          clocking.clear();
          at.clear();
        }}
      />
      {finished ? null : <SpecifyActions own={own} at={at} edit={edit} seen={seen} />}
      <OtherSheets own={own} at={at} views={views} />
    </Stack>
  );
}

const lengthOnOrder = (hose: JobHose) =>
  hose.order_m === null ? null : inDatum(hose, hose.order_m, orderDatumOf(hose));

function LengthOnOrder({ own: { hose, fitted } }: { readonly own: HoseOfJob }) {
  const write = useWriter();
  const { job } = useJob();
  const order = lengthOnOrder(hose);
  return (
    <div>
      <Label>{fitted.name}: order</Label>
      <Hero>{order?.ok ? write.length(order.value.length_m) : <span aria-hidden="true">–</span>}</Hero>
      {order?.ok ? (
        <Spread>
          <Fine>{datumName(orderDatumOf(hose))}</Fine>
          <Working of="length in the maker’s datum" result={order} />
        </Spread>
      ) : (
        <Fine>
          Not measured yet. <Link to={`/jobs/${job.id}/measure?hose=${hose.hoseId}`}>Measure this hose</Link>
        </Fine>
      )}
    </div>
  );
}

interface EndOfHoseProps {
  readonly hose: JobHose;
  readonly end: 'endA' | 'endB';
  readonly at: JointView | undefined;
  readonly edit: Edit;
  readonly finished: boolean;
}

function EndOfHose({ hose, end, at, edit, finished }: EndOfHoseProps) {
  const { job } = useJob();
  const endLike = useKnownEnds();
  const change = (next: JobHose['endA']) =>
    edit.mutate({
      params: { jobId: job.id, hoseId: hose.hoseId },
      body: { version: hose.version, [end]: next },
    });
  const { family, neckAngle_rad } = hose[end];
  return (
    <Stack $gap={6}>
      <Pick
        label={`${end === 'endA' ? 'End A' : 'End B'}, ${at?.joint.name.toLowerCase() ?? ''}: bend of the ${family === 'banjo' ? 'neck' : 'threaded end'}`}
        value={String(degrees(neckAngle_rad))}
        isDisabled={finished}
        options={EXAMPLE_BENDS_deg.map((angle) => ({
          value: String(angle),
          text: angle === 0 ? 'straight' : `${angle}°`,
        }))}
        onChange={(text) => {
          const bend_deg = EXAMPLE_BENDS_deg.find((candidate) => String(candidate) === text);
          if (bend_deg !== undefined) change(endLike(exampleEnd(family, bend_deg)));
        }}
      />
      <TakeOffs
        name={end === 'endA' ? 'end A' : 'end B'}
        hose={hose}
        end={end}
        isPending={isSending(edit, end)}
        finished={finished}
        onEnd={change}
      />
    </Stack>
  );
}

function useClocking(jobId: string, hose: JobHose) {
  const [text, set, clear] = useDraft(
    `clocking.${jobId}.${hose.hoseId}`,
    hose.clocking_rad === null ? '' : `${degrees(hose.clocking_rad)}°`,
  );
  return { text, set, clear };
}

interface ClockingProps {
  readonly hose: JobHose;
  readonly typing: ReturnType<typeof useClocking>;
  readonly edit: Edit;
}

function Clocking({ hose, typing, edit }: ClockingProps) {
  const write = useWriter();
  const { job } = useJob();
  const typed = readQuantity(typing.text, 'angle', true).quantity;
  const isOther =
    typed !== null && (hose.clocking_rad === null || Math.abs(typed.value_SI - hose.clocking_rad) > 1e-6);
  return (
    <Stack $gap={6}>
      <Beside>
        {typed ? <ClockingView clocking_rad={typed.value_SI} endA={hose.endA} endB={hose.endB} /> : null}
        <QuantityField
          label={clockingLabel(hose.endA, hose.endB)}
          kind="angle"
          allowZero
          text={typing.text}
          onText={typing.set}
        />
      </Beside>
      {isOther ? (
        <PlainButton
          onPress={() =>
            edit.mutate({
              params: { jobId: job.id, hoseId: hose.hoseId },
              body: { version: hose.version, clocking_rad: typed.value_SI },
            })
          }
        >
          Set clocking {write.angle(typed.value_SI)}
        </PlainButton>
      ) : null}
    </Stack>
  );
}

interface SpecifyActionsProps {
  readonly own: HoseOfJob;
  readonly at: BuildAtHand;
  readonly edit: Edit;
  readonly seen: Facts;
}

const NOT_READ = 'A figure of this build cannot be read yet.';

function SpecifyActions({ own: { hose }, at, edit, seen }: SpecifyActionsProps) {
  const { job } = useJob();
  const write = useWriter();
  const person = usePerson();
  const params = { jobId: job.id, hoseId: hose.hoseId };
  const order = lengthOnOrder(hose);
  const because = !may(person, 'approve')
    ? whoMay('approve')
    : hose.order_m === null
      ? 'Its length has not been taken in Measure yet.'
      : at.isWhole
        ? null
        : NOT_READ;
  return (
    <>
      {at.draft === null ? null : (
        <Spread>
          <PlainButton
            isPending={isSending(edit, 'build')}
            because={at.isWhole ? null : NOT_READ}
            onPress={() => edit.mutate({ params, body: { version: hose.version, build: at.build } })}
          >
            Keep this build
          </PlainButton>
          <TextButton onPress={at.clear}>leave it as it was</TextButton>
        </Spread>
      )}
      {hose.specified && at.draft === null ? (
        <Onward hose={hose} />
      ) : (
        <PrimaryButton
          isPending={isSending(edit, 'specified')}
          because={because}
          onPress={() =>
            edit.mutate({
              params,
              body: { version: hose.version, build: at.build, specified: true, seen: digestOf(seen) },
            })
          }
        >
          {order?.ok ? `Specify ${write.length(order.value.length_m)}` : 'Specify this hose'}
        </PrimaryButton>
      )}
    </>
  );
}

/** To what is still to be specified, and then to the order. */
function Onward({ hose }: { readonly hose: JobHose }) {
  const detail = useJob();
  const navigate = useNavigate();
  const nextHose = detail.hoses.find((candidate) => !candidate.specified && candidate.hoseId !== hose.hoseId);
  const nextOpen = nextHose?.hoseId ?? detail.lines.find((line) => !isLineMade(detail, line))?.lineId;
  const after = afterSpecify(detail);
  return (
    <>
      <Fine>Specified. Any change opens it again.</Fine>
      <PrimaryButton
        onPress={() =>
          void navigate(nextOpen === undefined ? after.to : `/jobs/${detail.job.id}/specify?hose=${nextOpen}`)
        }
      >
        {nextOpen === undefined ? after.text : nextHose ? 'Go to the next hose' : 'Go to the hard line'}
      </PrimaryButton>
    </>
  );
}

function OtherSheets({ own: { hose, fitted }, at, views }: Omit<HoseColumnProps, 'route'>) {
  const detail = useJob();
  const write = useWriter();
  const cutting = cutListAddress(
    detail.hoses.flatMap((each) =>
      each.order_m === null
        ? []
        : [
            {
              name: partsOf(detail).hoses.find(({ id }) => id === each.hoseId)?.name ?? '',
              length_m: each.order_m,
              endA: each.endA,
              endB: each.endB,
            },
          ],
    ),
    write.units.length,
  );
  return (
    <>
      <Link to={`/jobs/${detail.job.id}/order`}>Order sheet: print, send, parts</Link>
      {at.build.madeHere ? (
        <Link to={`/jobs/${detail.job.id}/build?hose=${hose.hoseId}`}>Build sheet: make it up, prove it</Link>
      ) : hose.specified ? (
        <Link to={`/jobs/${detail.job.id}/kit?hose=${hose.hoseId}`}>Check the box in when it comes</Link>
      ) : null}
      {cutting === null ? null : <Link to={cutting}>Cut list, when this job is made up here</Link>}
      <Link
        to={templateAddress(fitted.name, hose.endA, hose.endB, write.units.length, {
          bore_m: at.build.endA.eyeBore_m ?? at.build.endB.eyeBore_m,
          eyeThickness_m: views[0]?.joint.eyeThickness_m ?? views[1]?.joint.eyeThickness_m ?? null,
        })}
      >
        Both ends at true size
      </Link>
    </>
  );
}
