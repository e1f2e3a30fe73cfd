import { describe, expect, it } from 'vitest';
import { childText, descend, parseXml, type XmlElement } from './tree.ts';
import { spliceText } from './splice.ts';

const parsed = (text: string): XmlElement => {
  const result = parseXml(text);
  if (!result.ok) throw new Error(result.error.detail);
  return result.value;
};

describe('the XML tree', () => {
  const text =
    '<?xml version="1.0"?>\r\n<!-- < not a tag > -->\r\n<a x="1 &lt; 2">\r\n <b>t&amp;u</b><b/><c  ><d>é𝄞</d></c></a>';

  it('knows where each element stands in the text', () => {
    const root = parsed(text);
    const slice = (element: XmlElement) => text.slice(element.start, element.end);
    expect(root.children.map(slice)).toEqual(['<b>t&amp;u</b>', '<b/>', '<c  ><d>é𝄞</d></c>']);
    const c = root.children[2]!;
    expect(text.slice(c.contentStart, c.contentEnd)).toBe('<d>é𝄞</d>');
    expect(root.attributes.x).toBe('1 < 2');
    expect(childText(root, 'b')).toBe('t&u');
    expect(descend(root, 'c', 'd')?.text).toBe('é𝄞');
    expect(root.children[0]!.line).toBe(4);
  });

  it('says where a text stops being XML', () => {
    expect(parseXml('<a>\n<b></a>')).toMatchObject({ ok: false, error: { line: 2 } });
    expect(parseXml('hello')).toMatchObject({ ok: false });
    expect(parseXml('')).toMatchObject({ ok: false });
  });

  it('expands no entity of a document type, neither from a file nor a growing one', () => {
    const outside = '<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]><a>&x;</a>';
    const growing = '<!DOCTYPE a [<!ENTITY x "xxxxxxxxxx"><!ENTITY y "&x;&x;&x;&x;">]><a>&y;</a>';
    for (const trick of [outside, growing]) expect(parseXml(trick)).toMatchObject({ ok: false });
  });

  it('refuses nesting that no score has', () => {
    expect(parseXml('<a>'.repeat(200) + '</a>'.repeat(200))).toMatchObject({ ok: false });
  });
});

describe('splices', () => {
  it('change what they name and nothing else', () => {
    expect(
      spliceText('abcdef', [
        { start: 4, end: 5, text: 'X' },
        { start: 1, end: 1, text: '-' },
      ]),
    ).toBe('a-bcdXf');
    expect(() =>
      spliceText('abc', [
        { start: 0, end: 2, text: '' },
        { start: 1, end: 3, text: '' },
      ]),
    ).toThrow(RangeError);
  });
});
