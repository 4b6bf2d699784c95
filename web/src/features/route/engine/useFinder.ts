import type { FindProgress, FittingOffer, Scene } from '@zephyrcombe/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FinderQuestion } from './finder.worker.ts';

export interface Finder {
  /** Null before the first search. */
  readonly progress: FindProgress | null;
  readonly isSearching: boolean;
  /** What was searched for: the scene as it was then. */
  readonly scene: Scene | null;
  readonly wrong: string | null;
  search(scene: Scene, offer: FittingOffer): void;
  stop(): void;
}

const NOTHING = { progress: null, isSearching: false, scene: null, wrong: null } as const;

/** One search at a time, in a worker of its own; stopping it keeps what was found so far. */
export function useFinder(): Finder {
  const worker = useRef<Worker | null>(null);
  const [state, setState] = useState<Pick<Finder, 'progress' | 'isSearching' | 'scene' | 'wrong'>>(NOTHING);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setState((before) => ({ ...before, isSearching: false }));
  }, []);
  useEffect(() => () => worker.current?.terminate(), []);
  const search = useCallback((scene: Scene, offer: FittingOffer) => {
    worker.current?.terminate();
    const started = new Worker(new URL('./finder.worker.ts', import.meta.url), { type: 'module' });
    worker.current = started;
    setState({ ...NOTHING, isSearching: true, scene });
    started.onmessage = ({ data }: MessageEvent<FindProgress>) =>
      setState({ progress: data, isSearching: data.done < 1, scene, wrong: null });
    started.onerror = ({ message }) =>
      setState((before) => ({ ...before, isSearching: false, wrong: message }));
    const question: FinderQuestion = { scene, offer };
    started.postMessage(question);
  }, []);
  return { ...state, search, stop };
}
