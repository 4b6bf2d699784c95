/** Solves routes away from the page, the latest question first: whatever is under way for an older one is dropped. */
import type { Scene } from '@zephyrcombe/core';
import type { RouteAnswer, RouteQuestion } from './protocol.ts';
import type { RouteCurves } from './compute.ts';
import { RouteComputer } from './compute.ts';

const computer = new RouteComputer();
const AS_MEASURED = { across: 0, down: 0 };
/** What the last question was about: the next says only what changed. */
let scene: Scene | null = null;
/** Raised by every question: what belongs to an older one stops. */
let generation = 0;

const answer = (message: RouteAnswer) => {
  const buffers: Transferable[] = [];
  if (message.kind === 'frame') {
    buffers.push(message.frame.sweep.buffer);
    if (message.frame.shown?.line) buffers.push(message.frame.shown.line.buffer);
  }
  self.postMessage(message, { transfer: buffers });
};

/** Lets a question that has arrived meanwhile be heard. */
const pause = () =>
  new Promise<void>((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

/** Points of the curves between two looks at what else is asked, and between two drawings of them. */
const LOOK_EVERY = 2;
const SHOW_EVERY = 8;

async function drawCurves(mine: number): Promise<void> {
  let steps = 0;
  let shown = 0;
  let last: RouteCurves | null = null;
  for (const curves of computer.curves()) {
    steps += 1;
    if (curves !== null) {
      // The window at once, and then the curves as they grow.
      if (shown % SHOW_EVERY === 0) answer({ kind: 'curves', curves });
      shown += 1;
      last = curves;
    }
    if (steps % LOOK_EVERY === 0) await pause();
    if (mine !== generation) return;
  }
  if (last) answer({ kind: 'curves', curves: last });
}

self.onmessage = ({ data }: MessageEvent<RouteQuestion>) => {
  if (data.kind === 'pose') {
    answer({ kind: 'shown', shown: computer.shown(data.pose) });
    return;
  }
  if (data.kind === 'window') {
    answer({ kind: 'window', found: computer.window(data.scene) });
    return;
  }
  if (data.kind === 'attempt') {
    const { proof } = computer.frame(data.scene, AS_MEASURED, true);
    answer({ kind: 'attempt', proof, gaps_m: computer.gapsByPose() });
    return;
  }
  // What was not sent again is the very same object, so that nothing of it is worked out again.
  scene = { ...scene, ...data.changed } as Scene;
  generation += 1;
  answer({ kind: 'frame', frame: computer.frame(scene, data.pose, data.settle) });
  if (data.settle) void drawCurves(generation);
};
