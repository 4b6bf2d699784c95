/** Of a kept route only what Measure needs: the lengths that hold, and how one length that is offered would do. */
import type { Calculated, NotCalculated, RouteProof, Scene } from '@zephyrcombe/core';
import { useEffect, useMemo, useState } from 'react';
import { problemText } from '@zephyrcombe/messages';
import { useWriter } from '../../../app/SessionContext.ts';
import type { FoundWindow } from '../engine/compute.ts';
import type { RouteAnswer, RouteQuestion } from '../engine/protocol.ts';

export interface RouteWindow {
  /** Undefined as long as it is sought; null where the hose's own length does not hold. */
  readonly window: FoundWindow | null | undefined;
  readonly problem: string | null;
}

type Proof = Calculated<RouteProof> | NotCalculated;

const startWorker = () =>
  new Worker(new URL('../engine/route.worker.ts', import.meta.url), { type: 'module' });

/** Asks a worker of its own; the answer belongs to the question that was asked last. */
function useAnswer<Answer extends RouteAnswer>(
  question: RouteQuestion | null,
  kind: Answer['kind'],
): Answer | null {
  const [answered, setAnswered] = useState<{ question: RouteQuestion; answer: Answer } | null>(null);
  useEffect(() => {
    if (question === null) return;
    const worker = startWorker();
    worker.onmessage = ({ data }: MessageEvent<RouteAnswer>) => {
      if (data.kind === kind) setAnswered({ question, answer: data as Answer });
    };
    worker.postMessage(question);
    return () => worker.terminate();
  }, [question, kind]);
  return answered !== null && answered.question === question ? answered.answer : null;
}

/** The lengths that hold by this scene; without a scene nothing is sought. */
export function useWindow(scene: Scene | null): RouteWindow {
  const write = useWriter();
  const question = useMemo<RouteQuestion | null>(() => scene && { kind: 'window', scene }, [scene]);
  const answer = useAnswer<Extract<RouteAnswer, { kind: 'window' }>>(question, 'window');
  if (answer?.found.ok === false) return { window: null, problem: problemText(answer.found.problem, write) };
  return { window: answer?.found.ok ? answer.found.window : undefined, problem: null };
}

type Attempt = Extract<RouteAnswer, { kind: 'attempt' }>;

function useAttempt(scene: Scene | null): Attempt | null {
  const question = useMemo<RouteQuestion | null>(() => scene && { kind: 'attempt', scene }, [scene]);
  return useAnswer<Attempt>(question, 'attempt');
}

/** What the whole movement says of this scene; null as long as it is not known. */
export const useProof = (scene: Scene | null): Proof | null => useAttempt(scene)?.proof ?? null;

/** The least distance to anything in each named pose; null as long as it is not known, and where the scene has no answer. */
export function useGapsByPose(scene: Scene | null): Attempt['gaps_m'] | null {
  const attempt = useAttempt(scene);
  if (!attempt) return null;
  return attempt.proof.ok ? attempt.gaps_m : {};
}
