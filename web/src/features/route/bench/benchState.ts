/** What stands on the route bench: the corner, the ones before and after it, which hose, and the pose looked at. */
import { readCorner } from '@zephyrcombe/contract';
import type { Corner, CornerHose, CornerPattern, RigPose } from '@zephyrcombe/core';
import { axesOf, CORNER_PATTERNS, PATTERN_CORNERS } from '@zephyrcombe/core';
import type { HistoryAction } from '../../../app/history.ts';
import { historyReducer } from '../../../app/history.ts';

/** What a pose map shows. */
export const MAP_FIGURES = ['radius', 'room', 'slack'] as const;
export type MapFigure = (typeof MAP_FIGURES)[number];

export interface RouteState {
  readonly corner: Corner;
  /** What it started from; null for a corner from elsewhere. */
  readonly pattern: CornerPattern | null;
  readonly hoseId: string;
  readonly pose: RigPose;
  readonly past: readonly Corner[];
  readonly future: readonly Corner[];
  /** Changes of one field, or of one drag, follow each other into one step of undo. */
  readonly field: string | null;
  /** The hand is on the drawing: what only reads along waits until it rests. */
  readonly inHand: boolean;
}

export type RouteAction =
  | { readonly type: 'change'; readonly corner: Corner; readonly field: string }
  /** From a table that may lag behind the drawing: what it changes is looked up in the corner as it is by then. */
  | { readonly type: 'edit'; readonly edit: (corner: Corner) => Corner; readonly field: string }
  | { readonly type: 'load'; readonly corner: Corner; readonly pattern: CornerPattern | null }
  | { readonly type: 'hose'; readonly hoseId: string }
  /** A route given to a hose of the vehicle; to none when `to` is null. */
  | {
      readonly type: 'assign';
      readonly from: string;
      readonly to: { readonly id: string; readonly name: string } | null;
    }
  | { readonly type: 'pose'; readonly pose: RigPose }
  /** The drag is over: the next one is a step of its own. */
  | { readonly type: 'rest' }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' };

const INSTALLED: RigPose = { across: 0, down: 0 };

const firstHose = ({ hoses }: Corner, wanted?: string): string =>
  hoses.find(({ id }) => id === wanted)?.id ?? hoses[0]?.id ?? '';

export const startState = (corner: Corner, pattern: CornerPattern | null, hoseId?: string): RouteState => ({
  corner,
  pattern,
  hoseId: firstHose(corner, hoseId),
  pose: INSTALLED,
  past: [],
  future: [],
  field: null,
  inHand: false,
});

export function routeReducer(state: RouteState, action: RouteAction): RouteState {
  switch (action.type) {
    case 'change': {
      if (action.corner === state.corner) return state;
      const { corner, field } = action;
      return { ...stepped(state, { type: 'change', to: () => corner, field }), inHand: true };
    }
    case 'edit': {
      const corner = action.edit(state.corner);
      const next = routeReducer(state, { type: 'change', corner, field: action.field });
      return next === state ? state : { ...next, inHand: false };
    }
    case 'load':
      return {
        ...startState(action.corner, action.pattern),
        past: stepped(state, { type: 'change', to: () => action.corner }).past,
      };
    case 'hose':
      return { ...state, hoseId: firstHose(state.corner, action.hoseId), field: null, inHand: false };
    case 'assign': {
      const { from, to } = action;
      const id = to?.id ?? `route ${state.corner.hoses.findIndex((hose) => hose.id === from) + 1}`;
      if (state.corner.hoses.some((hose) => hose.id === id)) return state;
      const hoses = state.corner.hoses.map((hose) => (hose.id === from ? { ...hose, ...to, id } : hose));
      return {
        ...routeReducer(state, { type: 'change', corner: { ...state.corner, hoses }, field: `assign ${id}` }),
        hoseId: id,
      };
    }
    case 'pose':
      return { ...state, pose: inReach(state.corner, action.pose) };
    case 'rest':
      return { ...state, field: null, inHand: false };
    case 'undo':
    case 'redo':
      return stepped(state, action);
  }
}

/** A step forward or back, with the hose and the pose that are still there. */
function stepped(state: RouteState, action: HistoryAction<Corner>): RouteState {
  const { corner: now, past, future, field } = state;
  const before = { now, past, future, field };
  const after = historyReducer(before, action);
  if (after === before) return state;
  return {
    ...state,
    corner: after.now,
    hoseId: firstHose(after.now, state.hoseId),
    pose: inReach(after.now, state.pose),
    past: after.past,
    future: after.future,
    field: after.field,
    inHand: false,
  };
}

/** The very same pose where it is: what is drawn of it is left alone then. */
function inReach({ rig }: Corner, pose: RigPose): RigPose {
  const axes = axesOf(rig);
  const clamp = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));
  const across = axes.across ? clamp(pose.across, axes.across.least, axes.across.most) : 0;
  const down = clamp(pose.down, axes.down.least, axes.down.most);
  return across === pose.across && down === pose.down ? pose : { across, down };
}

/** The hose that is worked on, changed. */
export const withHose = (state: RouteState, change: (hose: CornerHose) => CornerHose): Corner => ({
  ...state.corner,
  hoses: state.corner.hoses.map((hose) => (hose.id === state.hoseId ? change(hose) : hose)),
});

const encode = (corner: Corner): string =>
  btoa(String.fromCharCode(...new TextEncoder().encode(JSON.stringify(corner))))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');

function decode(text: string): unknown {
  try {
    const bytes = Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (letter) =>
      letter.charCodeAt(0),
    );
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return null;
  }
}

/** From the address: a pattern by its name, or a whole corner; what does not make sense there starts with the fork. */
export function readRoute(query: URLSearchParams): {
  readonly state: RouteState;
  /** Why the corner in the address was not taken. */
  readonly wrong: string | null;
} {
  const pattern = CORNER_PATTERNS.find((name) => name === query.get('of')) ?? null;
  const text = query.get('route');
  const read = text === null ? { corner: null, wrong: null } : readCorner(decode(text));
  const corner = read.corner ?? PATTERN_CORNERS[pattern ?? 'fork'];
  const start = startState(
    corner,
    read.corner ? pattern : (pattern ?? 'fork'),
    query.get('hose') ?? undefined,
  );
  const number = (name: string) => Number(query.get(name) ?? 0) || 0;
  return {
    state: { ...start, pose: inReach(corner, { across: number('across'), down: number('down') }) },
    wrong: read.wrong,
  };
}

/** Into the address; a corner that is as its pattern has it is only named. */
export function writeRoute(state: RouteState, onto: URLSearchParams): URLSearchParams {
  const query = new URLSearchParams(onto);
  const put = (name: string, value: string, start: string) =>
    value === start ? query.delete(name) : query.set(name, value);
  const { corner, pattern, hoseId, pose } = state;
  put('of', pattern ?? '', pattern === 'fork' ? 'fork' : '');
  const isPattern = pattern !== null && JSON.stringify(corner) === JSON.stringify(PATTERN_CORNERS[pattern]);
  put('route', isPattern ? '' : encode(corner), '');
  put('hose', hoseId, firstHose(corner));
  const figure = (value: number) => String(Number(value.toFixed(4)));
  put('across', figure(pose.across), '0');
  put('down', figure(pose.down), '0');
  return query;
}
