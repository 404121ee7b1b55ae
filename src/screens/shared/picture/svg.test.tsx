import { svgText } from './svg';

const drawing = {
  width: 100,
  height: 50,
  shapes: [
    ['rect', { x: 1, y: 2, width: 30, height: 4 }],
    [
      'g',
      { transform: 'translate(2 3)' },
      [['text', { x: 0, y: 9 }, '</text><script>alert("1")</script> & co']],
    ],
  ] as const,
};

describe('a drawing as an SVG file', () => {
  const read = new DOMParser().parseFromString(svgText(drawing, '#ffffff'), 'image/svg+xml');

  it('is one that can be read, on its ground, with what stands in it', () => {
    expect(read.querySelector('parsererror')).toBeNull();
    expect(read.documentElement.getAttribute('viewBox')).toBe('0 0 100 50');
    expect(read.querySelector('rect')?.getAttribute('fill')).toBe('#ffffff');
    expect(read.querySelectorAll('rect')[1]?.getAttribute('width')).toBe('30');
  });

  it('holds names as words, whatever is in them', () => {
    expect(read.querySelector('g text')?.textContent).toBe('</text><script>alert("1")</script> & co');
    expect(read.querySelector('script')).toBeNull();
  });
});
