import { PATTERN_CORNERS, sceneOf } from '@zephyrcombe/core';
import type { RouteAnswer, RouteQuestion } from './protocol.ts';
import type { RouteAnswers } from './routeLink.ts';
import { RouteLink } from './routeLink.ts';

/** A worker that answers when it is told to. */
class Slow {
  readonly asked: RouteQuestion[] = [];
  onmessage: ((event: MessageEvent<RouteAnswer>) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;
  ended = false;
  postMessage(question: RouteQuestion) {
    this.asked.push(question);
  }
  terminate() {
    this.ended = true;
  }
  answer() {
    const last = this.asked.at(-1);
    const data = (
      last?.kind === 'pose' ? { kind: 'shown', shown: null } : { kind: 'frame', frame: { shown: null } }
    ) as RouteAnswer;
    this.onmessage?.({ data } as MessageEvent<RouteAnswer>);
  }
}

const scene = (length_m: number) => {
  const found = sceneOf(PATTERN_CORNERS.fork, 'front');
  if (!found) throw new Error('no hose');
  return { ...found, hose: { ...found.hose, length_m } };
};
const POSE = { across: 0, down: 0 };

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

function linked() {
  const worker = new Slow();
  const link = new RouteLink(() => worker);
  const answers: RouteAnswers[] = [];
  const close = link.open((next) => answers.push(next));
  return { worker, link, answers, close };
}
const lengthsOf = ({ asked }: Slow) =>
  asked.map((question) => (question.kind === 'scene' ? question.changed.hose?.length_m : question.kind));

test('while one question is under way only the newest waits', () => {
  const { worker, link } = linked();
  link.show(scene(0.7), POSE, 'front');
  for (const length_m of [0.71, 0.72, 0.73]) link.show(scene(length_m), POSE, 'front');
  expect(lengthsOf(worker)).toEqual([0.7]);
  worker.answer();
  expect(lengthsOf(worker)).toEqual([0.7, 0.73]);
});

test('the first scene is settled at once, a dragged one when the hand rests', () => {
  const { worker, link } = linked();
  link.show(scene(0.7), POSE, 'front');
  worker.answer();
  link.show(scene(0.71), POSE, 'front');
  worker.answer();
  expect(worker.asked).toMatchObject([{ settle: true }, { settle: false }]);
  jest.advanceTimersByTime(1000);
  expect(worker.asked.at(-1)).toMatchObject({ settle: true });
  worker.answer();
  jest.advanceTimersByTime(1000);
  expect(worker.asked).toHaveLength(3);
});

test('only what changed of a scene is sent, and all of it to a worker that is new', () => {
  const { worker, link, close } = linked();
  const first = scene(0.7);
  const longer = { ...first, hose: { ...first.hose, length_m: 0.71 } };
  const emptied = { ...longer, keepOuts: [] };
  const turned = { ...emptied, rig: { ...emptied.rig } };
  for (const next of [first, longer, emptied, turned]) {
    link.show(next, POSE, 'front');
    worker.answer();
  }
  const changes = () =>
    worker.asked.map((asked) => (asked.kind === 'scene' ? Object.keys(asked.changed) : []));
  expect(changes()).toEqual([['rig', 'hose', 'keepOuts'], ['hose'], ['keepOuts'], ['rig']]);
  close();
  link.open(() => undefined);
  expect(worker.asked.at(-1)).toMatchObject({ changed: turned });
});

test('a pose is asked for by itself, and not twice', () => {
  const { worker, link, answers } = linked();
  const still = scene(0.7);
  link.show(still, POSE, 'front');
  worker.answer();
  link.show(still, { across: 0.1, down: 0 }, 'front');
  link.show(still, { across: 0.2, down: 0 }, 'front');
  worker.answer();
  worker.answer();
  link.show(still, { across: 0.2, down: 0 }, 'front');
  expect(lengthsOf(worker)).toEqual([0.7, 'pose', 'pose']);
  expect(answers).toHaveLength(3);
});

test('what breaks in the worker is told; closing ends it, and opening again asks anew', () => {
  const worker = new Slow();
  const second = new Slow();
  const waiting = [worker, second];
  const link = new RouteLink(() => waiting.shift() ?? second);
  let last: RouteAnswers | null = null;
  const close = link.open((next) => {
    last = next;
  });
  link.show(scene(0.7), POSE, 'front');
  worker.onerror?.({ message: 'out of memory' } as ErrorEvent);
  expect(last).toMatchObject({ problem: 'out of memory' });
  close();
  expect(worker.ended).toBe(true);
  link.open(() => undefined);
  expect(lengthsOf(second)).toEqual([0.7]);
});

test('another hose is settled at once, and shows no curves that were drawn for the one before', () => {
  const { worker, link, answers } = linked();
  const curves = (from_m: number) =>
    worker.onmessage?.({
      data: { kind: 'curves', curves: { from_m, to_m: 1, points: [], window: null } },
    } as unknown as MessageEvent<RouteAnswer>);
  link.show(scene(0.7), POSE, 'left');
  worker.answer();
  curves(0.6);
  expect(answers.at(-1)?.curves?.from_m).toBe(0.6);
  link.show(scene(1.2), POSE, 'sidecar');
  expect(answers.at(-1)?.curves).toBeNull();
  expect(worker.asked.at(-1)).toMatchObject({ settle: true });
  // On its way before the worker heard of the other hose.
  curves(0.6);
  expect(answers.at(-1)?.curves).toBeNull();
  worker.answer();
  curves(1.1);
  expect(answers.at(-1)?.curves?.from_m).toBe(1.1);
});
