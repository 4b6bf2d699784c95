import { toSI } from '@zephyrcombe/core';
import { editableText, readQuantity } from './QuantityField.tsx';

describe('a stored figure ready to be edited', () => {
  test('miles stay miles, without decimals that nobody typed', () => {
    for (const miles of [1, 7767, 12345, 99999]) {
      const { quantity } = readQuantity(`${miles} mi`, 'distance');
      expect(editableText(quantity?.value_SI ?? 0, 'mi')).toBe(`${miles} mi`);
    }
    // Read in kilometres it is not less than what is on record.
    expect(editableText(toSI(7767, 'mi'), 'km')).toBe('12500 km');
    expect(toSI(12500, 'km')).toBeGreaterThanOrEqual(toSI(7767, 'mi'));
  });

  test('inches are fractions of a sixteenth, else decimals', () => {
    expect(editableText(29.25 * 0.0254, 'in')).toBe('29 1/4 in');
    expect(editableText(0.4375 * 0.0254, 'in')).toBe('7/16 in');
    expect(editableText(0.742, 'in')).toBe('29.213 in');
    expect(editableText(3 * 0.0254, 'in')).toBe('3 in');
  });
});
