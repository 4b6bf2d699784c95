/** Ends, clocking, bolts and washers of one hose, with both its joints drawn in section. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import { hoseOfJob, isClosed, may, orderDatumOf, partsOf } from '@zephyrcombe/contract';
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
import { Columns, Fine, Hero, Label, Spread, Stack } from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { LineStage } from '../hard-line/LineStage.tsx';
import { LinePicker } from '../job/HosePicker.tsx';
import { afterSpecify, PartsSteps } from '../job/PartsSteps.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { jointCautions, jointView, selectedHose, selectedLine } from '../job/jobView.ts';
import { inDatum } from '../measure/measureView.ts';
import { cutListAddress } from '../cut-list/cutState.ts';
import { templateAddress } from '../templates/templateState.ts';
import type { KeptRoute } from '../route/job/HoseRoute.tsx';
import { useKeptRoute } from '../route/job/HoseRoute.tsx';
import { BuildSheet, MaterialSheet } from './BuildSheet.tsx';
import { ClockingView } from '../../drawing/ClockingView.tsx';
import { RouteOfBuild } from './RouteOfBuild.tsx';
import type { BuildAtHand } from './useBuild.ts';
import { useBuild } from './useBuild.ts';
import { TakeOffs } from '../known/TakeOffs.tsx';
import { useKnownEnds } from '../known/useKnownEnds.ts';
import { JointSheet } from './JointSheet.tsx';

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

const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 16px;
`;

export function SpecifyPage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const line = selectedLine(detail, hoseId);
  if (line) return <LineStage line={line} stage="specify" />;
  const hose = selectedHose(detail, hoseId, jointId);
  if (hose === null) return <Fine>No hose is in the scope of this job.</Fine>;
  const own = hoseOfJob(detail, hose.hoseId);
  if (own === null) return <Fine>This hose is no longer on the drawing of the circuit.</Fine>;
  return <HoseOnPaper key={hose.hoseId} own={own} />;
}

function HoseOnPaper({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const { hose, fitted } = own;
  const views = [fitted.fromJointId, fitted.toJointId].flatMap((id) => jointView(detail, id) ?? []);
  const route = useKeptRoute(detail.job.vehicleId, hose.hoseId, detail.job.id);
  const at = useBuild(detail, own, route);
  const finished = isClosed(detail.job);
  return (
    <Columns>
      <Stack $gap={16}>
        <PartsSteps detail={detail} at={null} />
        <LinePicker
          current={hose.hoseId}
          isDone={(candidate) => candidate.specified}
          isLineDone={(candidate) => isLineMade(detail, candidate)}
        />
        <BuildSheet own={own} at={at} finished={finished} />
        <MaterialSheet own={own} at={at} finished={finished} />
        <Pair>
          {views.map((view, index) => (
            <JointSheet key={view.joint.id} view={view} end={index === 0 ? 'A' : 'B'} />
          ))}
        </Pair>
      </Stack>
      <HoseColumn own={own} views={views} at={at} route={route} />
    </Columns>
  );
}

interface HoseColumnProps {
  readonly own: HoseOfJob;
  readonly views: readonly JointView[];
  readonly at: BuildAtHand;
  readonly route: KeptRoute;
}

function HoseColumn({ own, views, at, route }: HoseColumnProps) {
  const { hose, fitted } = own;
  const { name } = fitted;
  const detail = useJob();
  const write = useWriter();
  const person = usePerson();
  const navigate = useNavigate();
  const params = { jobId: detail.job.id, hoseId: hose.hoseId };
  const finished = isClosed(detail.job);
  const [clocking, setClocking, clearClocking] = useDraft(
    `clocking.${detail.job.id}.${hose.hoseId}`,
    hose.clocking_rad === null ? '' : `${degrees(hose.clocking_rad)}°`,
  );
  const edit = useJobAction('editJobHose', detail.job.id, ({ body }) => {
    if (body?.clocking_rad !== undefined) clearClocking();
    if (body?.build !== undefined) at.clear();
  });
  const endLike = useKnownEnds();
  const typed = readQuantity(clocking, 'angle', true).quantity;
  const isClocked = needsClocking(hose.endA, hose.endB);
  const order = hose.order_m === null ? null : inDatum(hose, hose.order_m, orderDatumOf(hose));
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
  const nextHose = detail.hoses.find((candidate) => !candidate.specified && candidate.hoseId !== hose.hoseId);
  const nextOpen = nextHose?.hoseId ?? detail.lines.find((line) => !isLineMade(detail, line))?.lineId;
  const after = afterSpecify(detail);
  const cutting = cutListAddress(
    detail.hoses.flatMap((own) =>
      own.order_m === null
        ? []
        : [
            {
              name: partsOf(detail).hoses.find(({ id }) => id === own.hoseId)?.name ?? '',
              length_m: own.order_m,
              endA: own.endA,
              endB: own.endB,
            },
          ],
    ),
    write.units.length,
  );
  const bend = (end: 'endA' | 'endB', text: string) => {
    const bend_deg = EXAMPLE_BENDS_deg.find((candidate) => String(candidate) === text);
    if (bend_deg === undefined) return;
    edit.mutate({
      params,
      body: { version: hose.version, [end]: endLike(exampleEnd(hose[end].family, bend_deg)) },
    });
  };

  return (
    <Stack $gap={14}>
      <div>
        <Label>{name}: order</Label>
        <Hero>{order?.ok ? write.length(order.value.length_m) : <span aria-hidden="true">–</span>}</Hero>
        {order?.ok ? (
          <Spread>
            <Fine>{datumName(orderDatumOf(hose))}</Fine>
            <Working of="length in the maker’s datum" result={order} />
          </Spread>
        ) : (
          <Fine>
            Not measured yet.{' '}
            <Link to={`/jobs/${detail.job.id}/measure?hose=${hose.hoseId}`}>Measure this hose</Link>
          </Fine>
        )}
      </div>
      {(['endA', 'endB'] as const).map((end) => (
        <Stack key={end} $gap={6}>
          <Pick
            label={`${end === 'endA' ? 'End A' : 'End B'}, ${views[end === 'endA' ? 0 : 1]?.joint.name.toLowerCase() ?? ''}: bend of the ${hose[end].family === 'banjo' ? 'neck' : 'threaded end'}`}
            value={String(degrees(hose[end].neckAngle_rad))}
            isDisabled={finished}
            options={EXAMPLE_BENDS_deg.map((angle) => ({
              value: String(angle),
              text: angle === 0 ? 'straight' : `${angle}°`,
            }))}
            onChange={(text) => bend(end, text)}
          />
          <TakeOffs
            name={end === 'endA' ? 'end A' : 'end B'}
            hose={hose}
            end={end}
            isPending={isSending(edit, end)}
            finished={finished}
            onEnd={(next) => edit.mutate({ params, body: { version: hose.version, [end]: next } })}
          />
        </Stack>
      ))}
      {isClocked ? (
        <Stack $gap={6}>
          <Beside>
            {typed ? <ClockingView clocking_rad={typed.value_SI} endA={hose.endA} endB={hose.endB} /> : null}
            <QuantityField
              label={clockingLabel(hose.endA, hose.endB)}
              kind="angle"
              allowZero
              text={clocking}
              onText={setClocking}
            />
          </Beside>
          {typed && (hose.clocking_rad === null || Math.abs(typed.value_SI - hose.clocking_rad) > 1e-6) ? (
            <PlainButton
              onPress={() =>
                edit.mutate({
                  params,
                  body: { version: hose.version, clocking_rad: typed.value_SI },
                })
              }
            >
              Set clocking {write.angle(typed.value_SI)}
            </PlainButton>
          ) : null}
        </Stack>
      ) : null}
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
          clearClocking();
          at.clear();
        }}
      />
      {at.draft === null || finished ? null : (
        <Spread>
          <PlainButton
            isPending={isSending(edit, 'build')}
            because={at.isWhole ? null : 'A figure of this build cannot be read yet.'}
            onPress={() => edit.mutate({ params, body: { version: hose.version, build: at.build } })}
          >
            Keep this build
          </PlainButton>
          <TextButton onPress={at.clear}>leave it as it was</TextButton>
        </Spread>
      )}
      {finished ? null : hose.specified && at.draft === null ? (
        <>
          <Fine>Specified. Any change opens it again.</Fine>
          <PrimaryButton
            onPress={() =>
              void navigate(
                nextOpen === undefined ? after.to : `/jobs/${detail.job.id}/specify?hose=${nextOpen}`,
              )
            }
          >
            {nextOpen === undefined ? after.text : nextHose ? 'Go to the next hose' : 'Go to the hard line'}
          </PrimaryButton>
        </>
      ) : (
        <PrimaryButton
          isPending={isSending(edit, 'specified')}
          because={
            !may(person, 'approve')
              ? whoMay('approve')
              : hose.order_m === null
                ? 'Its length has not been taken in Measure yet.'
                : at.isWhole
                  ? null
                  : 'A figure of this build cannot be read yet.'
          }
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
      <Link to={`/jobs/${detail.job.id}/order`}>Order sheet: print, send, parts</Link>
      {at.build.madeHere ? (
        <Link to={`/jobs/${detail.job.id}/build?hose=${hose.hoseId}`}>Build sheet: make it up, prove it</Link>
      ) : hose.specified ? (
        <Link to={`/jobs/${detail.job.id}/kit?hose=${hose.hoseId}`}>Check the box in when it comes</Link>
      ) : null}
      {cutting === null ? null : <Link to={cutting}>Cut list, when this job is made up here</Link>}
      <Link
        to={templateAddress(name, hose.endA, hose.endB, write.units.length, {
          bore_m: at.build.endA.eyeBore_m ?? at.build.endB.eyeBore_m,
          eyeThickness_m: views[0]?.joint.eyeThickness_m ?? views[1]?.joint.eyeThickness_m ?? null,
        })}
      >
        Both ends at true size
      </Link>
    </Stack>
  );
}
