/** The page's end of the route worker: one question under way, and only the newest one waits. */
import type { RigPose, Scene } from '@zephyrcombe/core';
import type { RouteCurves, RouteFrame, ShownPose } from './compute.ts';
import type { RouteAnswer, RouteQuestion } from './protocol.ts';

export interface RouteAnswers {
  /** What the frame is of; null before the first. */
  readonly scene: Scene | null;
  readonly frame: RouteFrame | null;
  readonly shown: ShownPose | null;
  readonly curves: RouteCurves | null;
  /** The curves are of an earlier scene than the frame. */
  readonly curvesAreOld: boolean;
  readonly problem: string | null;
}

export const NO_ANSWERS: RouteAnswers = {
  scene: null,
  frame: null,
  shown: null,
  curves: null,
  curvesAreOld: false,
  problem: null,
};

/** What a worker is to the link. */
export interface Answering {
  postMessage(question: RouteQuestion): void;
  terminate(): void;
  onmessage: ((event: MessageEvent<RouteAnswer>) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
}

/** After the last change: then it is solved from nothing, and the curves are drawn. */
const SETTLE_ms = 160;

export class RouteLink {
  private worker: Answering | null = null;
  private scene: Scene | null = null;
  private pose: RigPose = { across: 0, down: 0 };
  private sentScene: Scene | null = null;
  private sentPose: RigPose | null = null;
  private settledScene: Scene | null = null;
  private dueScene: Scene | null = null;
  /** Which hose the scene is of, which the last question was of, and which the last frame. */
  private of = '';
  private sentOf = '';
  private framedOf = '';
  private tell: (answers: RouteAnswers) => void = () => undefined;
  private askedAt: number | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private answers = NO_ANSWERS;

  constructor(private readonly start: () => Answering) {}

  /** Starts the worker; the returned function ends it. */
  open(onAnswers: (answers: RouteAnswers) => void): () => void {
    const worker = this.start();
    this.worker = worker;
    this.tell = onAnswers;
    this.sentScene = this.sentPose = this.settledScene = null;
    this.askedAt = null;
    worker.onmessage = ({ data }) => {
      this.take(data);
      onAnswers(this.answers);
      this.ask();
    };
    worker.onerror = ({ message }) => {
      this.answers = { ...this.answers, problem: message };
      onAnswers(this.answers);
    };
    this.dueScene = this.scene;
    this.ask();
    return () => {
      worker.terminate();
      this.worker = null;
      if (this.timer) clearTimeout(this.timer);
    };
  }

  /** `of` names the hose: what was worked out for one is not shown with another. */
  show(scene: Scene, pose: RigPose, of: string): void {
    this.pose = pose;
    if (this.scene !== scene) {
      // The first one of a hose needs no following.
      this.dueScene = this.scene === null || this.of !== of ? scene : null;
      this.scene = scene;
      if (this.of !== of) {
        this.of = of;
        if (this.answers.curves) {
          this.answers = { ...this.answers, curves: null };
          this.tell(this.answers);
        }
      }
      if (this.timer) clearTimeout(this.timer);
      this.timer = setTimeout(() => {
        this.dueScene = scene;
        this.ask();
      }, SETTLE_ms);
    }
    this.ask();
  }

  private ask(): void {
    const { worker, scene, pose } = this;
    if (!worker || !scene || this.askedAt !== null) return;
    const settle = this.dueScene === scene && this.settledScene !== scene;
    if (settle || this.sentScene !== scene) {
      this.askedAt = performance.now();
      const { sentScene } = this;
      this.sentScene = scene;
      this.sentOf = this.of;
      this.sentPose = pose;
      if (settle) this.settledScene = scene;
      worker.postMessage({ kind: 'scene', changed: changedOf(sentScene, scene), pose, settle });
    } else if (this.sentPose?.across !== pose.across || this.sentPose.down !== pose.down) {
      this.askedAt = performance.now();
      this.sentPose = pose;
      worker.postMessage({ kind: 'pose', pose });
    }
  }

  private take(answer: RouteAnswer): void {
    // Questions this link does not ask.
    if (answer.kind === 'window' || answer.kind === 'attempt') return;
    if (answer.kind === 'curves') {
      // Sent before the worker heard of another hose.
      if (this.framedOf !== this.of) return;
      this.answers = { ...this.answers, curves: answer.curves, curvesAreOld: false };
      return;
    }
    if (answer.kind === 'frame') {
      this.framedOf = this.sentOf;
      // Read by the benchmark: from the question to its answer, the waiting for the worker included.
      performance.measure(answer.frame.settled ? 'route settled' : 'route frame', {
        start: this.askedAt ?? performance.now(),
      });
      this.answers = {
        ...this.answers,
        scene: this.sentScene,
        frame: answer.frame,
        shown: answer.frame.shown,
        curvesAreOld: true,
      };
    } else this.answers = { ...this.answers, shown: answer.shown };
    this.askedAt = null;
  }
}

/** Parts and movement are copied to the worker only when they changed: a drag changes the hose alone. */
const changedOf = (sent: Scene | null, { rig, hose, keepOuts }: Scene): Partial<Scene> => ({
  ...(sent?.rig === rig ? {} : { rig }),
  ...(sent?.hose === hose ? {} : { hose }),
  ...(sent?.keepOuts === keepOuts ? {} : { keepOuts }),
});
