/** The simulator away from the page. */
import type { ForetellQuestion } from './foretell.ts';
import { foretell } from './foretell.ts';

self.onmessage = ({ data }: MessageEvent<ForetellQuestion>) => self.postMessage(foretell(data));
