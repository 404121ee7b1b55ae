import type { PictureKind } from '@/core/calls/meetings';

const [width, height] = [480, 270];
const frameMs = 80;
/** Whoever wants less motion sees that it goes on, and no more. */
const quietFrameMs = 1_000;

/** Walls, clothes, skins and hair of people who are drawn. */
const palette = {
  wall: ['#3d5a56', '#5a4a3d', '#45506b', '#6b5345', '#4b5f3f'],
  cloth: ['#c98a1b', '#2f6f8f', '#8f2f2f', '#3f7f5f', '#5b4b8a'],
  skin: ['#e7c3a0', '#c98f62', '#8d5a36', '#f0d3b5', '#a5714a'],
  hair: ['#2a211b', '#5b4023', '#b9a184', '#7a2f1d', '#3b3b3b'],
};

/** A picture that is drawn. */
export interface DrawnPicture {
  stream: MediaStream;
  stop: () => void;
}

/** The moving picture of somebody whom nobody plays with a camera: by `seed` always the same person, or the same sheet. */
export function drawPicture(seed: string, kind: PictureKind): DrawnPicture {
  const canvas = Object.assign(document.createElement('canvas'), { width, height });
  const context = canvas.getContext('2d');
  const paint = kind === 'camera' ? paintPerson : paintSheet;
  const number = numberOf(seed);
  const draw = () => context && paint(context, number, performance.now() / 1000);
  draw();
  const isQuiet = matchMedia('(prefers-reduced-motion: reduce)').matches;
  const timer = setInterval(draw, isQuiet ? quietFrameMs : frameMs);
  const stream = canvas.captureStream();
  return {
    stream,
    stop: () => {
      clearInterval(timer);
      for (const track of stream.getTracks()) track.stop();
    },
  };
}

const numberOf = (seed: string) =>
  [...seed].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7);

const pick = (colours: readonly string[], number: number) => colours[number % colours.length] ?? '#000000';

/** Somebody before a wall, a window with the weather in it; they breathe, blink, and talk now and then. */
function paintPerson(context: CanvasRenderingContext2D, number: number, seconds: number): void {
  const fill = (colour: string) => void (context.fillStyle = colour);
  const disc = (x: number, y: number, rx: number, ry: number) => {
    context.beginPath();
    context.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI);
    context.fill();
  };
  fill(pick(palette.wall, number));
  context.fillRect(0, 0, width, height);
  // The sky goes by.
  fill('#a9c4cc');
  context.fillRect(330, 34, 112, 96);
  fill('#dfe8ea');
  const cloud = 330 + ((seconds * 4 + number) % 150) - 38;
  context.save();
  context.beginPath();
  context.rect(330, 34, 112, 96);
  context.clip();
  disc(cloud, 66, 30, 12);
  disc(cloud + 22, 72, 26, 11);
  fill('#6d8a8f');
  context.fillRect(330, 112 + 3 * Math.sin(seconds / 2), 112, 30);
  context.restore();
  const sway = 6 * Math.sin(seconds / 1.7 + number);
  const breath = 2 * Math.sin(seconds * 1.3 + number);
  const x = 216 + sway;
  fill(pick(palette.cloth, number >> 1));
  disc(x, 292 + breath, 118, 92);
  fill(pick(palette.skin, number >> 2));
  context.fillRect(x - 20, 176 + breath, 40, 40);
  fill(pick(palette.hair, number >> 3));
  disc(x, 112 + breath, 62, 68);
  fill(pick(palette.skin, number >> 2));
  disc(x, 124 + breath, 52, 62);
  fill('#1f1a17');
  const isBlinking = (seconds + number) % 3.7 < 0.14;
  for (const side of [-1, 1]) disc(x + side * 20, 114 + breath, 5, isBlinking ? 1 : 6);
  // They talk for some seconds, and listen.
  const isTalking = (seconds + number) % 11 < 4;
  fill('#7a3330');
  disc(x, 154 + breath, 15, isTalking ? 3 + 5 * Math.abs(Math.sin(seconds * 7)) : 2);
}

/** A sheet with the level of a gauge, to which one reading after the other is added. */
function paintSheet(context: CanvasRenderingContext2D, number: number, seconds: number): void {
  context.fillStyle = '#f6f3ea';
  context.fillRect(0, 0, width, height);
  context.strokeStyle = '#c9c2ad';
  context.lineWidth = 1;
  for (let y = 40; y < height; y += 36) context.strokeRect(40, y, width - 64, 0);
  context.strokeStyle = '#14453f';
  context.lineWidth = 4;
  context.beginPath();
  const shown = 60 + ((seconds * 24) % (width - 110));
  for (let x = 40; x < shown; x += 6)
    context.lineTo(x, 150 - 50 * Math.sin((x + number) / 60) - 18 * Math.sin((x + number) / 17));
  context.stroke();
  context.fillStyle = '#d29a1f';
  context.fillRect(shown, 40, 3, height - 64);
}
