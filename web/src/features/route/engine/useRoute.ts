import type { RigPose, Scene } from '@zephyrcombe/core';
import { useEffect, useState } from 'react';
import type { RouteAnswers } from './routeLink.ts';
import { NO_ANSWERS, RouteLink } from './routeLink.ts';

const startWorker = () => new Worker(new URL('./route.worker.ts', import.meta.url), { type: 'module' });

/** The route of a scene, solved in a worker and followed while it changes; the pose that is looked at with it. `of`: which hose. */
export function useRoute(scene: Scene, pose: RigPose, of: string): RouteAnswers {
  const [link] = useState(() => new RouteLink(startWorker));
  const [answers, setAnswers] = useState(NO_ANSWERS);
  useEffect(() => link.open(setAnswers), [link]);
  useEffect(() => link.show(scene, pose, of), [link, scene, pose, of]);
  return answers;
}
