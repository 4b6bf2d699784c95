/** The simulator away from the page. What was simulated for a brake is kept here for the next stroke at it. */
import type { ForetellQuestion, SoFarQuestion } from './foretell.ts';
import { foretell, soFar } from './foretell.ts';

self.onmessage = ({ data: asked }: MessageEvent<string>) => {
  const question = JSON.parse(asked) as ForetellQuestion | SoFarQuestion;
  self.postMessage({ asked, told: 'seen' in question ? soFar(question) : foretell(question) });
};
