import { draftKey, dropUnownedDrafts } from './useDraft.ts';

function storageOf(entries: Readonly<Record<string, string>>): Storage {
  const map = new Map(Object.entries(entries));
  return {
    get length() {
      return map.size;
    },
    key: (index) => [...map.keys()][index] ?? null,
    getItem: (key) => map.get(key) ?? null,
    setItem: (key, value) => void map.set(key, value),
    removeItem: (key) => void map.delete(key),
    clear: () => map.clear(),
  };
}

describe('drafts', () => {
  it('lie apart for two people', () => {
    expect(draftKey('person-1', 'handover')).not.toBe(draftKey('person-2', 'handover'));
  });

  it('lose what nobody owns, and nothing else', () => {
    const owned = draftKey('person-1', 'handover');
    const storage = storageOf({
      'zephyrcombe.draft.handover': '"M. Example"',
      'zephyrcombe.draft.torque': '{}',
      [owned]: '"mine"',
      'zephyrcombe.theme': 'vellum',
    });
    dropUnownedDrafts(storage);
    expect(storage.getItem('zephyrcombe.draft.handover')).toBeNull();
    expect(storage.getItem('zephyrcombe.draft.torque')).toBeNull();
    expect(storage.getItem(owned)).toBe('"mine"');
    expect(storage.getItem('zephyrcombe.theme')).toBe('vellum');
  });
});
