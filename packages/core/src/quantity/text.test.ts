import { line, oneForm, text, textIfAny, textOrNull, troubleInText } from './text.ts';

test('text that cannot be kept or sent on says why, and what people write is fine', () => {
  for (const bad of ['a\u0000b', '\u001b[31m', '\u007f']) expect(troubleInText(bad)).toContain('control character');
  for (const bad of ['\ud800', 'x\udfffy', '\udc00\ud800']) expect(troubleInText(bad)).toContain('half a character');
  for (const fine of ['', 'two\nlines\tand a tab', '🧵', 'Œuvre № 5, 40 µF', '__proto__', '火'])
    expect(troubleInText(fine)).toBeNull();
});

test('a letter with an accent is one text in whichever form it was typed (Unicode Standard Annex 15)', () => {
  expect(oneForm('cafe\u0301')).toBe('caf\u00e9');
  expect(oneForm('caf\u00e9')).toBe('caf\u00e9');
  // Signs of the trade keep their own characters: NFC turns the ohm sign into omega, and leaves micro alone.
  expect(oneForm('40 \u00b5F, 5 \u2126')).toBe('40 \u00b5F, 5 \u03a9');
});

test('what is given of blanks alone is missing, empty or left out, as the text may be', () => {
  expect(line(5, 'the address').safeParse('  ').error?.issues[0]?.message).toBe('the address is missing');
  expect(line(5, 'the address').parse(' abc ')).toBe('abc');
  expect(line(5, 'it').safeParse('abcdef').error?.issues[0]?.message).toBe('at most 5 characters');
  expect(text(5).parse('   ')).toBe('');
  expect(textIfAny(5).parse('   ')).toBeUndefined();
  expect(textIfAny(5).parse(undefined)).toBeUndefined();
  expect(textIfAny(5).parse(' a ')).toBe('a');
  expect(textOrNull(5).parse(null)).toBeNull();
  expect(textOrNull(5).safeParse('').success).toBe(false);
});
