/** A document with what came before and after it. Changes of one field follow each other into one step of undo. */

export interface History<Document> {
  readonly now: Document;
  readonly past: readonly Document[];
  readonly future: readonly Document[];
  readonly field: string | null;
}

export type HistoryAction<Document> =
  | { readonly type: 'change'; readonly to: (now: Document) => Document; readonly field?: string }
  /** The next change is a step of its own. */
  | { readonly type: 'rest' }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' }
  | { readonly type: 'load'; readonly document: Document };

const MOST_STEPS = 200;

export const startHistory = <Document>(now: Document): History<Document> => ({
  now,
  past: [],
  future: [],
  field: null,
});

export function historyReducer<Document>(
  state: History<Document>,
  action: HistoryAction<Document>,
): History<Document> {
  switch (action.type) {
    case 'change': {
      const now = action.to(state.now);
      if (now === state.now) return state;
      const sameField = action.field !== undefined && action.field === state.field;
      return {
        now,
        past: sameField ? state.past : [...state.past, state.now].slice(-MOST_STEPS),
        future: [],
        field: action.field ?? null,
      };
    }
    case 'rest':
      return state.field === null ? state : { ...state, field: null };
    case 'undo': {
      const now = state.past.at(-1);
      return now === undefined
        ? state
        : { now, past: state.past.slice(0, -1), future: [state.now, ...state.future], field: null };
    }
    case 'redo': {
      const [now, ...future] = state.future;
      return now === undefined ? state : { now, past: [...state.past, state.now], future, field: null };
    }
    case 'load':
      return startHistory(action.document);
  }
}
