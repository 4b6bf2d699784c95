/** The build of the hose at hand: what was kept, or what is put there to begin with; changes as a draft that can be stepped back. */
import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { buildFacts, hoseCautions, isClosed } from '@zephyrcombe/contract';
import type { Caution, FreeHose, HoseBuild, PlaceFault, SuggestedBuild } from '@zephyrcombe/core';
import { contactsOf, freeHose, inOrder, kept, placeFaults, suggestBuild } from '@zephyrcombe/core';
import { useMemo, useState } from 'react';
import { historyReducer, startHistory } from '../../app/history.ts';
import { useDraft } from '../../app/useDraft.ts';
import type { KeptRoute } from '../route/job/HoseRoute.tsx';

export interface BuildAtHand {
  readonly build: HoseBuild;
  readonly suggested: SuggestedBuild;
  readonly length_m: number;
  readonly free: FreeHose;
  readonly faults: readonly PlaceFault[];
  /** It can be built: everything in its place, and a wall round the bore. */
  readonly isWhole: boolean;
  readonly cautions: readonly Caution[];
  /** Null while it is as it was kept. */
  readonly draft: HoseBuild | null;
  readonly change: (next: Partial<HoseBuild>) => void;
  readonly back: (() => void) | null;
  readonly clear: () => void;
}

/** Labels follow their ferrule when an end or the length changes; what somebody put in its place stays, and is told. */
const settled = (along: HoseBuild['along'], free: FreeHose): HoseBuild['along'] =>
  along.map((part) =>
    part.because === 'usual' ? { ...part, from_m: kept(part.from_m, part.length_m, free) } : part,
  );

export function useBuild(detail: JobDetail, own: HoseOfJob, route: KeptRoute): BuildAtHand {
  const { hose, fitted } = own;
  const [draft, setDraft, clear] = useDraft<HoseBuild | null>(`build.${detail.job.id}.${hose.hoseId}`, null);
  const [steps, setSteps] = useState(() => startHistory<HoseBuild | null>(draft));
  const { scene } = route;
  const contacts = useMemo(() => (scene === null ? [] : contactsOf(scene)), [scene]);
  const suggested = suggestBuild(
    buildFacts(
      own,
      scene && {
        outside_m: scene.hose.outside_m,
        figuresFrom: scene.hose.figuresFrom,
        clips: scene.hose.clips,
        stiffeners: scene.hose.stiffeners ?? [],
        sleeves: scene.hose.sleeves ?? [],
        contacts,
      },
    ),
  );
  const length_m = hose.order_m ?? fitted.length_m;
  const free = freeHose(length_m, hose.endA, hose.endB);
  // Of a job that was signed off nobody knows what was on the hose, unless it was kept.
  const isUnknown = hose.build === null && isClosed(detail.job);
  const known = draft ?? hose.build ?? suggested.build;
  const build = { ...known, along: isUnknown ? [] : settled(known.along, free) };
  const faults = placeFaults(build.along, free);
  return {
    build,
    suggested,
    length_m,
    free,
    faults,
    isWhole: faults.length === 0 && build.bore_m < build.outside_m,
    cautions: hoseCautions(detail, own, build),
    draft,
    change: (next) => {
      const to = { ...build, ...next, along: inOrder(next.along ?? build.along) };
      setSteps(historyReducer({ ...steps, now: draft }, { type: 'change', to: () => to }));
      setDraft(to);
    },
    back:
      steps.past.length === 0
        ? null
        : () => {
            const back = historyReducer({ ...steps, now: draft }, { type: 'undo' });
            setSteps(back);
            if (back.now === null) clear();
            else setDraft(back.now);
          },
    clear: () => {
      setSteps(startHistory<HoseBuild | null>(null));
      clear();
    },
  };
}
