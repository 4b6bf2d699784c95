import { afterRecorded, asSent, EMPTY_READING } from './readingDraft.ts';

function ids() {
  let next = 0;
  return () => `id ${(next += 1)}`;
}
const typing = (text: string) => ({ ...EMPTY_READING, text });

test('the same text sent again after a lost reply is the same reading', () => {
  const newId = ids();
  const first = asSent(typing('928 mm'), '928 mm', newId);
  expect(first.id).toBe('id 1');
  expect(asSent(first, '928 mm', newId)).toBe(first);
});

// Found by the main journey on a slow machine: the second reading took the first one's name and was lost.
test('a second reading typed before the first is answered has a name of its own, and is not cleared by it', () => {
  const newId = ids();
  const first = asSent(typing('928 mm'), '928 mm', newId);
  const second = asSent({ ...first, text: '36 5/8 in' }, '36 5/8 in', newId);
  expect(second.id).toBe('id 2');
  const answered = afterRecorded(second, '928 mm');
  expect(answered).toMatchObject({ text: '36 5/8 in', id: 'id 2', sent: '36 5/8 in' });
  expect(afterRecorded(answered, '36 5/8 in')).toEqual(EMPTY_READING);
});

test('the same length read twice in turn is two readings', () => {
  const newId = ids();
  const first = asSent(typing('928 mm'), '928 mm', newId);
  const again = asSent({ ...afterRecorded(first, '928 mm'), text: '928 mm' }, '928 mm', newId);
  expect(again.id).toBe('id 2');
});
