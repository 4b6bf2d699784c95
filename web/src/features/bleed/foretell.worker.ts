/** The simulator away from the page. */
import type { ForetellQuestion, SoFarQuestion } from './foretell.ts';
import { foretell, soFar } from './foretell.ts';

self.onmessage = ({ data }: MessageEvent<ForetellQuestion | SoFarQuestion>) =>
  self.postMessage('done' in data ? soFar(data) : foretell(data));
