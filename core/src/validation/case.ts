/** Reference cases in whichever of their forms they come, as one list: an id, where it belongs, and its figures. */

/** Figures of a case by name, as its file gives them: inputs and, where it has them, expected values side by side. */
export type Fields = Readonly<Record<string, unknown>>;

export interface ReferenceCase {
  readonly id: string;
  /** The names it goes by, outermost first: its group, its list, its own kind. */
  readonly tags: readonly string[];
  readonly inputs: Fields;
  /** Empty where only inputs are given. */
  readonly expected: Fields;
}

const isRecord = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const CONTAINERS = new Set(['public', 'hidden', 'private', 'groups', 'data']);
/** What is said about cases, and no case. */
const NOTES = new Set(['meta', 'estimates', 'provenance', 'group']);

/**
 * All cases of a file. Known forms: `{ cases: [{ id, kind, group?, inputs, expected? }] }`, a bare list of them, and groups of lists
 * or of named entries, `{ public: { "2_joint": { crowfoot: [ … ] } } }`, whose entries hold inputs and expected values together.
 */
export function casesOf(file: unknown, tags: readonly string[] = []): readonly ReferenceCase[] {
  if (Array.isArray(file))
    return file.flatMap((entry, index) => (isRecord(entry) ? [caseOf(entry, tags, index)] : []));
  if (!isRecord(file)) return [];
  return Object.entries(file).flatMap(([key, value]): readonly ReferenceCase[] => {
    if (NOTES.has(key)) return [];
    const next = CONTAINERS.has(key) ? tags : [...tags, key];
    if (Array.isArray(value)) return casesOf(value, next);
    if (!isRecord(value)) return [];
    if (CONTAINERS.has(key) || hasLists(value)) return casesOf(value, next);
    // Entries by name: curves of fluids, vapour pressure by temperature.
    return Object.entries(value).flatMap(([name, entry], index) =>
      isRecord(entry) ? [caseOf({ id: name, ...entry }, next, index)] : [],
    );
  });
}

/** Lists of cases, or further groups of them. */
const hasLists = (value: Fields): boolean =>
  Object.values(value).some(
    (inner) =>
      (Array.isArray(inner) && inner.some(isRecord)) ||
      (isRecord(inner) && Object.values(inner).some((deep) => Array.isArray(deep) && deep.some(isRecord))),
  );

function caseOf(entry: Fields, tags: readonly string[], index: number): ReferenceCase {
  const { id, name, kind, group, inputs, expected, ...rest } = entry;
  const own = [group, kind].filter((tag): tag is string => typeof tag === 'string');
  const label =
    typeof id === 'string' || typeof id === 'number' ? String(id) : typeof name === 'string' ? name : '';
  const figures = {
    ...(name === undefined ? {} : { name }),
    ...(kind === undefined ? {} : { kind }),
    ...rest,
  };
  return {
    id: label === '' ? `${tags.at(-1) ?? 'case'}-${index + 1}` : label,
    tags: [...tags.filter((tag) => tag !== 'cases'), ...own],
    inputs: isRecord(inputs) ? { ...figures, ...inputs } : figures,
    expected: isRecord(expected) ? expected : { ...figures, ...(isRecord(inputs) ? inputs : {}) },
  };
}
