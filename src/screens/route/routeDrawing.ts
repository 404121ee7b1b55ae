import { isEnd } from '@/core/calls/figures';
import type { Route } from '@/core/calls/route';
import type { OfficeIndex } from '@/core/setup';
import { lightColours as colours } from '@/ui/tokens';

import { onRim, type Drawing, type Shape } from '../shared/picture/svg';
import { layOut, middleOf, outlineOf, type LaidNode, type Stream } from './layOut';
import { keysOfReach, nameOfPlace } from './routeWords';

const sizes = {
  ...{ plate: { width: 150, height: 60 }, end: { width: 84, height: 44 } },
  ...{ gap: 8, fall: 64, water: 160, room: 840 },
};
const edge = 24;
const head = 76;
const mostLetters = 20;

/** The route as it is shown, as a picture. */
export function routeDrawing(
  route: Route,
  office: OfficeIndex,
  { title, about }: { title: string; about: string },
): Drawing {
  const { width, height, nodes, streams } = layOut(route, sizes);
  const line = { x1: 0, x2: 0, y1: 0, y2: 7, stroke: colours.rowan, 'stroke-width': 3 };
  const hatching = {
    ...{ id: 'gaveUp', width: 7, height: 7 },
    ...{ patternUnits: 'userSpaceOnUse', patternTransform: 'rotate(45)' },
  };
  return {
    width: Math.round(width) + 2 * edge,
    height: Math.round(height) + head + edge,
    shapes: [
      ['defs', {}, [['pattern', hatching, [['line', line]]]]],
      ['text', { x: edge, y: 34, 'font-size': 22, 'font-weight': 700, fill: colours.ink }, title],
      ['text', { x: edge, y: 58, 'font-size': 14, fill: colours.faint }, about],
      [
        'g',
        { transform: `translate(${edge} ${head})` },
        [
          ...streams.filter(({ calls }) => calls === 0).map(dry),
          ...streams.filter(({ calls }) => calls > 0).map(wet),
          ...streams.flatMap(keysOver),
          ...nodes.flatMap((node) => plate(node, office)),
        ],
      ],
    ],
  };
}

const dry = (stream: Stream): Shape => [
  'path',
  { d: middleOf(stream), stroke: colours.edge, 'stroke-width': 1.5, 'stroke-dasharray': '2 5', fill: 'none' },
];

const wet = (stream: Stream): Shape => [
  'path',
  {
    d: outlineOf(stream),
    fill: stream.isLost ? 'url(#gaveUp)' : colours.slate,
    'fill-opacity': stream.isLost ? 1 : 0.28,
    stroke: stream.isLost ? colours.rowan : colours.slate,
  },
];

function keysOver(stream: Stream): Shape[] {
  const keys = keysOfReach(stream);
  if (keys === null) return [];
  const { toX: x, toY } = stream;
  return [
    [
      'text',
      { x, y: toY - 8, 'text-anchor': 'middle', 'font-size': 12, fill: colours.ink, ...onRim(colours.sheet) },
      `key ${keys}`,
    ],
  ];
}

function plate({ place, x, y, width, height, calls }: LaidNode, office: OfficeIndex): Shape[] {
  const isLine = place.kind === 'line';
  const isLost = place.kind === 'gaveUp' || place.kind === 'circle';
  const ink = isLine ? colours.onNight : isLost ? colours.rowan : colours.ink;
  const name = place.kind === 'hours' ? 'Hours' : nameOfPlace(place, office);
  const shown = name.length > mostLetters ? `${name.slice(0, mostLetters - 1)}…` : name;
  const at = { x, 'text-anchor': 'middle', 'font-size': 12, fill: ink };
  const box: Shape = [
    'rect',
    {
      ...{ x: x - width / 2, y, width, height, rx: 3 },
      ...{ fill: isLine ? colours.night : colours.sheet, stroke: isLine ? colours.nightEdge : colours.ink },
    },
  ];
  return [
    ...(isEnd(place) ? [] : [box]),
    ['text', { ...at, y: y + (isEnd(place) ? 14 : 25), 'font-weight': isEnd(place) ? 400 : 600 }, shown],
    ['text', { ...at, y: y + (isEnd(place) ? 32 : 44) }, calls === 1 ? '1 call' : `${calls} calls`],
  ];
}
