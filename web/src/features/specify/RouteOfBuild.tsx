/** What the kept route says of the hose as it is to be built: tried anew in a worker with every change. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import { builtScene } from '@zephyrcombe/contract';
import { problemText } from '@zephyrcombe/messages';
import type { HoseBuild } from '@zephyrcombe/core';
import { judgeHoseFigures } from '@zephyrcombe/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { Cautions } from '../job/Cautions.tsx';
import type { KeptRoute } from '../route/job/HoseRoute.tsx';
import { useProof } from '../route/job/useWindow.ts';
import { poseText, REASON_WORDS, windowText } from '../route/words.ts';

interface RouteOfBuildProps {
  readonly own: HoseOfJob;
  readonly build: HoseBuild;
  readonly route: KeptRoute;
}

/** Room for what it says most often: the page does not step when the worker answers. */
const Said = styled.div`
  min-height: 64px;
`;

export function RouteOfBuild(props: RouteOfBuildProps) {
  return (
    <Said>
      <Words {...props} />
    </Said>
  );
}

function Words({ own, build, route }: RouteOfBuildProps) {
  const write = useWriter();
  const { hose, fitted } = own;
  const { scene } = route;
  // Compared by what is in it: dragging a label changes nothing for the route.
  const built = scene && JSON.stringify(builtScene(scene, hose, fitted, build));
  const asked = useMemo(
    () => (built === null ? null : (JSON.parse(built) as NonNullable<typeof scene>)),
    [built],
  );
  const proof = useProof(asked);
  if (scene === null)
    return route.isKnown ? (
      <Fine>
        No route of this hose is kept, so bends and parts on it are not tried over steering and travel.{' '}
        <Link to={route.link}>Enter one</Link>
      </Fine>
    ) : null;
  if (proof === null) return <Fine>Trying it over steering and travel …</Fine>;
  if (!proof.ok) return <Fine>{problemText(proof.problem, write)}</Fine>;
  const { holds, reason, pose } = proof.value;
  return (
    <Stack $gap={8}>
      {holds ? (
        <Fine data-testid="route-holds">
          By the kept route it holds in every pose; lengths that do: {windowText(route.window, write)}.
        </Fine>
      ) : (
        <Notice severity="warn" title="By the kept route this hose does not hold">
          <p>
            {reason === null ? 'It has no shape to show' : REASON_WORDS[reason]},{' '}
            {poseText(scene.rig, pose, write)}. <Link to={route.link}>Open the route</Link>, or take the bend,
            the length or the part back.
          </p>
        </Notice>
      )}
      <Cautions cautions={[...proof.cautions, ...judgeHoseFigures(scene.hose)]} />
    </Stack>
  );
}
