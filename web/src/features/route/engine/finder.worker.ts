/** Searches fittings away from the page; whoever has seen enough ends the worker. */
import type { FindProgress, FittingOffer, Scene } from '@zephyrcombe/core';
import { findFittings } from '@zephyrcombe/core';

export interface FinderQuestion {
  readonly scene: Scene;
  readonly offer: FittingOffer;
}

self.onmessage = ({ data: { scene, offer } }: MessageEvent<FinderQuestion>) => {
  for (const progress of findFittings(scene, offer)) self.postMessage(progress satisfies FindProgress);
};
